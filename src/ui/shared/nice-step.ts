/** The smallest step of 1, 2 or 5 times a power of ten that is at least `least`. */
export const niceStep = (least: number): number => {
  const power = 10 ** Math.floor(Math.log10(least));
  const step = [1, 2, 5, 10].find((each) => each * power >= least * (1 - 1e-9)) ?? 10;
  return Number((step * power).toPrecision(6));
};
