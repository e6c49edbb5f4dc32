/** Why a PIN is among the first that anybody tries. */
export type PinWeakness = 'one-digit' | 'run' | 'repeated' | 'date';

const digitsOf = (pin: string): readonly number[] => [...pin].map(Number);

/** Whether each digit follows the one before by the same step, up or down, 0 after 9 and 9 after 0 included. */
const isRun = (digits: readonly number[], step: number): boolean =>
  digits.every((digit, at) => at === 0 || digit === ((digits[at - 1] as number) + step + 10) % 10);

/** Whether a PIN is a shorter piece of digits written again and again, or there and back. */
const isRepeated = (pin: string): boolean => {
  const half = pin.slice(0, Math.floor(pin.length / 2));
  const isMirrored = pin.length > 3 && pin.slice(Math.ceil(pin.length / 2)) === [...half].reverse().join('');
  const isPiece = [2, 3, 4].some(
    (length) =>
      pin.length >= 2 * length && pin === pin.slice(0, length).repeat(pin.length).slice(0, pin.length),
  );
  // 112233 and 111222: pairs and triples of one digit each, one after the other.
  const isBlocks = /^(?:(\d)\1{1,3}){2,}$/.test(pin) && new Set(pin).size <= pin.length / 2;
  return isMirrored || isPiece || isBlocks;
};

const isDay = (day: number, month: number): boolean => day >= 1 && day <= 31 && month >= 1 && month <= 12;

/** Whether a PIN reads as a year of the last and this century, or as a date with one: people choose birthdays, and colleagues know them. */
const isDate = (pin: string): boolean => {
  const isYear = (text: string): boolean => /^(?:19|20)\d\d$/.test(text);
  if (pin.length === 4) return isYear(pin);
  if (pin.length !== 8) return false;
  const [a, b, c, d] = [0, 2, 4, 6].map((at) => Number(pin.slice(at, at + 2))) as [
    number,
    number,
    number,
    number,
  ];
  const isLast = isYear(pin.slice(4)) && (isDay(a, b) || isDay(b, a));
  const isFirst = isYear(pin.slice(0, 4)) && (isDay(c, d) || isDay(d, c));
  return isLast || isFirst;
};

/** Why a PIN is too easily guessed; null for one that is not. The choice of what is weak is common practice.
 *  Departures: a date of six digits is no weakness here: one in twenty of all six digits reads as one. */
export const pinWeakness = (pin: string): PinWeakness | null => {
  const digits = digitsOf(pin);
  if (new Set(digits).size === 1) return 'one-digit';
  if ([1, -1, 2, -2].some((step) => isRun(digits, step))) return 'run';
  if (isRepeated(pin)) return 'repeated';
  return isDate(pin) ? 'date' : null;
};
