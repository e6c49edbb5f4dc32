import { marksOf } from './requirement-shape.ts';
import type { Token } from './requirement-token.ts';

/** One statement of a print: where it stands, and its tokens. */
export type Statement = { readonly tokens: readonly Token[] };

const isUnit = ({ mark }: Token): boolean => mark === 'U' || mark === 'F';

/** `90 °` and `+90°` as one angle. */
const withAngles = (tokens: readonly Token[]): readonly Token[] => {
  const joined: Token[] = [];
  for (const token of tokens) {
    const before = joined.at(-1);
    if (token.mark === '°' && before?.mark === 'N') {
      joined.pop();
      joined.push({ mark: 'A', degrees: before.number.value, start: before.start, end: token.end });
    } else joined.push(token);
  }
  return joined;
};

/** Takes the brackets off a unit or a tolerance that belongs to what stands before it: `5 [Nm]`, `6 Nm (±10 %)`, `7 Nm (max)`. */
const withoutBrackets = (tokens: readonly Token[]): readonly Token[] => {
  const plain: Token[] = [];
  for (let at = 0; at < tokens.length; at += 1) {
    const token = tokens[at] as Token;
    const close = token.mark === '(' ? tokens.findIndex(({ mark }, index) => index > at && mark === ')') : -1;
    const inside = close > 0 ? tokens.slice(at + 1, close) : [];
    const marks = marksOf(inside);
    const isAlone = /^[<>aU]$/.test(marks);
    const follows = /^(?:[±+-]|[+]?A)/.test(marks) && plain.length > 0;
    if (close > 0 && (isAlone || follows)) {
      plain.push(...inside);
      at = close;
    } else plain.push(token);
  }
  return plain;
};

/** Moves a unit that stands before its number (`Nm: 5-7`, `[in-lb] 36`) behind the statement. */
const unitBehind = (tokens: readonly Token[]): readonly Token[] => {
  const [first, ...rest] = tokens;
  const isBefore = first && isUnit(first) && /^[NB<>a]/.test(marksOf(rest));
  return isBefore && !rest.some(isUnit) ? [...rest, first] : tokens;
};

const isDivider = ({ mark }: Token): boolean => mark === '|' || mark === '(' || mark === ')';

/** Whether a value of its own begins here though nothing parts it from the one before: `36 in-lb 4.1 Nm`. */
const beginsAnew = (group: readonly Token[], token: Token): boolean => {
  const last = group.at(-1);
  return token.mark === 'N' && last !== undefined && isUnit(last);
};

const grouped = (tokens: readonly Token[]): readonly (readonly Token[])[] => {
  const groups: Token[][] = [[]];
  for (const token of tokens) {
    const group = groups.at(-1) as Token[];
    if (isDivider(token)) groups.push([]);
    else if (beginsAnew(group, token)) groups.push([token]);
    else group.push(token);
  }
  return groups.filter((group) => group.length > 0);
};

/** Puts a tolerance or an angle that a comma parts from its torque back to it: `22 Nm, then 90°`, `6 Nm, ±10 %`. */
const attached = (groups: readonly (readonly Token[])[]): readonly (readonly Token[])[] => {
  const whole: (readonly Token[])[] = [];
  for (const group of groups) {
    const before = whole.at(-1);
    const marks = marksOf(group);
    const belongs = before && /^(?:±N|\+N|[+&]*A)/.test(marks);
    if (before && belongs) {
      const plus: readonly Token[] = marks.startsWith('A')
        ? [
            {
              mark: '+',
              start: (group[0] as Token).start,
              end: (group[0] as Token).start,
            },
          ]
        : [];
      whole[whole.length - 1] = [...before, ...plus, ...group];
    } else whole.push(group);
  }
  return whole;
};

const unitsOf = (tokens: readonly Token[]): string =>
  [...new Set(tokens.flatMap((token) => (token.mark === 'U' ? [token.unit] : [])))].join();

const BOUNDED = /^(?:[<>]NU|NU[<>])$/;
const BELOW = /</;

/** Puts a minimum and a maximum, or a value and the one not to exceed, together where both stand in one unit: `min 5 Nm, max 7 Nm`. */
const paired = (groups: readonly (readonly Token[])[]): readonly (readonly Token[])[] => {
  const whole: (readonly Token[])[] = [];
  for (const group of groups) {
    const before = whole.at(-1) ?? [];
    const [first, second] = [marksOf(before), marksOf(group)];
    const isOneUnit = unitsOf(before) === unitsOf(group) && unitsOf(group) !== '';
    const isPair =
      (BOUNDED.test(first) && BOUNDED.test(second) && BELOW.test(first) !== BELOW.test(second)) ||
      (first === 'NU' && /^<NU$/.test(second));
    if (isOneUnit && isPair) whole[whole.length - 1] = [...before, ...group];
    else whole.push(group);
  }
  return whole;
};

/** Cuts the tokens of a print into its statements; the marks of footnotes say nothing of the torque. */
export const statementsIn = (tokens: readonly Token[]): readonly Statement[] => {
  const plain = withoutBrackets(withAngles(tokens.filter(({ mark }) => mark !== 'f')));
  return paired(attached(grouped(unitBehind(plain)).map(unitBehind))).map((group) => ({ tokens: group }));
};
