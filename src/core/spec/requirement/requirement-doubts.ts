import { fromNewtonMetres, type TorqueUnit, toNewtonMetres, unitSymbol } from '../../quantity/unit.ts';
import { UNIT_GUESSES } from '../../quantity/unit-spelling.ts';
import type { Result } from '../../result.ts';
import type { Candidate, RequirementRefusal } from './requirement-refusal.ts';
import { numbersOf } from './requirement-shape.ts';
import type { Token } from './requirement-token.ts';

/** Reads what a print may have meant: only what reads without a doubt is offered. */
type Reader = (
  text: string,
  siteUnit: TorqueUnit,
) => Result<{ readonly disagreements: readonly unknown[] }, RequirementRefusal>;

/** A print with its tokens: what a question about it is asked of. */
export type Print = {
  readonly text: string;
  readonly tokens: readonly Token[];
  readonly siteUnit: TorqueUnit;
};

const numbered = (token: Token): boolean => token.mark === 'N';

/** The print with a unit in place of every force, or after the last number of each statement that has none. */
const withUnit = ({ text, tokens }: Print, statement: readonly Token[], unit: TorqueUnit): string => {
  const symbol = unitSymbol(unit);
  const forces = tokens.filter(({ mark }) => mark === 'F');
  const last = statement.findLast(numbered);
  const places = forces.length > 0 ? forces : last ? [{ start: last.end, end: last.end }] : [];
  return [...places]
    .reverse()
    .reduce(
      (whole, { start, end }) =>
        `${whole.slice(0, start).trimEnd()} ${symbol}${end === start && /^\w/.test(whole.slice(end)) ? ' ' : ''}${whole.slice(end)}`,
      text,
    );
};

/** What a print may have meant, with each of some units: the ones it prints elsewhere first, those it contradicts itself by last. */
export const candidatesFor = (
  reader: Reader,
  print: Print,
  statement: readonly Token[],
  units: readonly TorqueUnit[],
): readonly Candidate[] => {
  const value = numbersOf(statement)[0]?.value ?? 0;
  const { siteUnit } = print;
  return units
    .flatMap((unit) => {
      const text = withUnit(print, statement, unit);
      const read = reader(text, siteUnit);
      const inSiteUnit = { value: fromNewtonMetres(toNewtonMetres(value, unit), siteUnit), unit: siteUnit };
      return read.ok ? [{ text, inSiteUnit, contradicts: read.value.disagreements.length > 0 }] : [];
    })
    .sort((a, b) => Number(a.contradicts) - Number(b.contradicts))
    .map(({ text, inSiteUnit }) => ({ text, inSiteUnit }));
};

/** Units with those that the print uses elsewhere first. */
export const printedFirst = ({ tokens }: Print, units: readonly TorqueUnit[]): readonly TorqueUnit[] => {
  const printed = new Set(tokens.flatMap((token) => (token.mark === 'U' ? [token.unit] : [])));
  return [...units.filter((unit) => printed.has(unit)), ...units.filter((unit) => !printed.has(unit))];
};

/** What a number without a unit may mean: the usual ones, and whatever the print uses elsewhere. */
export const guessesFor = ({ tokens }: Print): readonly TorqueUnit[] => [
  ...new Set([...tokens.flatMap((token) => (token.mark === 'U' ? [token.unit] : [])), ...UNIT_GUESSES]),
];

const DOUBTFUL = /(?<![\d.,])([1-9]\d{0,2})[.,](\d{3})(?![\d.,])/g;

/** The two things that doubtful numbers may say, all of a print read alike: the mark that is printed marks decimals, or thousands. */
export const doubtfulNumber = (reader: Reader, text: string, siteUnit: TorqueUnit): RequirementRefusal => {
  const candidates = [
    `${text.replace(DOUBTFUL, '$1.$2')}, decimal point`,
    text.replace(DOUBTFUL, '$1$2'),
  ].filter((each) => reader(each, siteUnit).ok);
  return {
    code: 'ambiguous-torque',
    text,
    candidates: candidates.map((each) => ({ text: each, inSiteUnit: null })),
  };
};

const HALF = /^(\d{1,2})\s*\/\s*(2|4|8|16)(?=[^\d])/;

/** A fraction alone, which may as well be two values: `1/2 Nm`. */
export const doubtfulFraction = (
  reader: Reader,
  text: string,
  siteUnit: TorqueUnit,
): RequirementRefusal | null => {
  const [whole, over, under] = HALF.exec(text) ?? [];
  if (!whole || Number(over) >= Number(under)) return null;
  const candidates = [
    text.replace(whole, String(Number(over) / Number(under))),
    text.replace(whole, `${over} to ${under}`),
  ].filter((each) => reader(each, siteUnit).ok);
  return candidates.length === 0
    ? null
    : {
        code: 'ambiguous-torque',
        text,
        candidates: candidates.map((each) => ({ text: each, inSiteUnit: null })),
      };
};
