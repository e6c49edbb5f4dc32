// Student's t by the incomplete beta function: a continued fraction, and Halley's steps from an approximation for its inverse.
// Source: Press et al., Numerical Recipes, 3rd ed., 6.1, 6.4 and 6.14 (from memory); term by term the arithmetic of jStat 1.9.6 (MIT), so that a verdict given
// by that library comes out the same to the last bit (docs/adr/0019). Valid for: degrees of freedom > 0.

const LANCZOS = [
  76.18009172947146, -86.50532032941678, 24.01409824083091, -1.231739572450155, 0.001208650973866179,
  -0.000005395239384953,
];
const TINY = 1e-30;
const MOST_TERMS = 100;
const FRACTION_CLOSE = 3e-7;
const MOST_STEPS = 10;
const STEP_CLOSE = 1e-8;

/** ln Γ(x). */
const lnGamma = (x: number): number => {
  const first = x + 5.5;
  const shifted = first - (x + 0.5) * Math.log(first);
  const series = LANCZOS.reduce(
    (sum, coefficient, at) => sum + coefficient / (x + at + 1),
    1.000000000190015,
  );
  return Math.log((2.5066282746310007 * series) / x) - shifted;
};

const notTiny = (value: number): number => (Math.abs(value) < TINY ? TINY : value);

/** The continued fraction of the incomplete beta function, by Lentz's method. */
const betaFraction = (x: number, a: number, b: number): number => {
  let c = 1;
  let d = 1 / notTiny(1 - ((a + b) * x) / (a + 1));
  let fraction = d;
  const step = (term: number): number => {
    d = notTiny(1 + term * d);
    c = notTiny(1 + term / c);
    d = 1 / d;
    return d * c;
  };
  for (let m = 1; m <= MOST_TERMS; m += 1) {
    const twice = 2 * m;
    fraction *= step((m * (b - m) * x) / ((a - 1 + twice) * (a + twice)));
    const change = step((-(a + m) * (a + b + m) * x) / ((a + twice) * (a + 1 + twice)));
    fraction *= change;
    if (Math.abs(change - 1) < FRACTION_CLOSE) break;
  }
  return fraction;
};

/** The regularised incomplete beta function I_x(a, b), 0 < x < 1. */
const betaBelow = (x: number, a: number, b: number): number => {
  const front = Math.exp(lnGamma(a + b) - lnGamma(a) - lnGamma(b) + a * Math.log(x) + b * Math.log(1 - x));
  return x < (a + 1) / (a + b + 2)
    ? (front * betaFraction(x, a, b)) / a
    : 1 - (front * betaFraction(1 - x, b, a)) / b;
};

/** The x at which I_x(a, ½) is p, 0 < p < 1. */
const betaQuantileOfHalf = (p: number, a: number): number => {
  const b = 0.5;
  const t = Math.exp(a * Math.log(a / (a + b))) / a;
  const whole = t + Math.exp(b * Math.log(b / (a + b))) / b;
  let x = p < t / whole ? (a * whole * p) ** (1 / a) : 1 - (b * whole * (1 - p)) ** (1 / b);
  const front = -lnGamma(a) - lnGamma(b) + lnGamma(a + b);
  for (let steps = 0; steps < MOST_STEPS; steps += 1) {
    if (x === 0 || x === 1) return x;
    const slope = Math.exp((a - 1) * Math.log(x) + (b - 1) * Math.log(1 - x) + front);
    const newton = (betaBelow(x, a, b) - p) / slope;
    const change = newton / (1 - 0.5 * Math.min(1, newton * ((a - 1) / x - (b - 1) / (1 - x))));
    x -= change;
    if (x <= 0) x = 0.5 * (x + change);
    if (x >= 1) x = 0.5 * (x + change + 1);
    if (Math.abs(change) < STEP_CLOSE * x && steps > 0) break;
  }
  return x;
};

/** The t at most which lies a share `p` of Student's distribution. Valid for: 0 < p < 1, degrees of freedom > 0. */
export const studentQuantile = (p: number, degreesOfFreedom: number): number => {
  const x = betaQuantileOfHalf(2 * Math.min(p, 1 - p), 0.5 * degreesOfFreedom);
  const t = Math.sqrt((degreesOfFreedom * (1 - x)) / x);
  return p > 0.5 ? t : -t;
};
