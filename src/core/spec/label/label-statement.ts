import { readRequirement } from '../requirement/read-requirement.ts';
import {
  hasLeftOver,
  isScrewOrGauge,
  keyParts,
  type LabelKey,
  type LabelSubject,
  listedKeys,
  trimmedKey,
} from './label-key.ts';
import { type LineTorque, torquesIn } from './line-torques.ts';

/** What one statement of a label says: texts as printed, empty where it says nothing. */
export type LabelStatement = LabelKey & { readonly value: string };

/** Why a line must be looked at by a person: it holds no torque, something in it is left over, or a size may be a screw's or a wire's. */
export const LABEL_DOUBTS = ['no-torque', 'left-over', 'screw-or-gauge'] as const;
export type LabelDoubt = (typeof LABEL_DOUBTS)[number];

/** A line of a label as read: its statements, and what is asked about it; null where nothing is. */
export type ReadLine = { readonly statements: readonly LabelStatement[]; readonly doubt: LabelDoubt | null };

type Pair = { readonly key: string; readonly value: string };
type Cut = { readonly pairs: readonly Pair[]; readonly isWhole: boolean };

const isPlainNumber = (text: string): boolean =>
  /^\d+(?:[.,]\d+)?(?:\s*(?:-|–|to)\s*\d+(?:[.,]\d+)?)?$/.test(text);

const isUnitless = (text: string): boolean => {
  const read = readRequirement(text, 'N.m');
  return !read.ok && read.refusal.code === 'no-unit' && isPlainNumber(text);
};

// What stands before a number that is no torque: an edition, a page, a part of a drawing.
const NO_TORQUE =
  /\b(?:rev(?:ision)?|page|fig(?:ure)?|table|sheet|drawing|issue|ed(?:ition)?|date|item|step)\.?\s*$/i;

/** Cuts a line without any unit into its key and the bare number at its end, whose unit will be asked. */
const bareCut = (text: string): Cut | null => {
  for (const token of text.matchAll(/[^\s:=]+[:=]?/g)) {
    const value = text.slice(token.index).trim();
    const before = text.slice(0, token.index);
    if (isUnitless(value) && !NO_TORQUE.test(before))
      return {
        pairs: [{ key: trimmedKey(before), value }],
        isWhole: !(POSITION.test(before) && LED_RANGE.test(value)),
      };
  }
  return null;
};

// A position, and a dash or dots as its leader, look like the two ends of a range: `bolt 4 - 5 Nm`, `M6 x 4 ... 9.5 Nm`.
const POSITION =
  /(?:^|[^a-z])(?:item|pos(?:ition)?|no|nr|bolt|screw|nut|stud|terminal|term|pole|pin|step|point|hole|port|ref|x|×)\.?:?\s*$/i;
const LED_RANGE = /^\d+(?:[.,]\d+)?\s+(?:[-–—…]|\.{2,3})\s*\d/;

const isPositionAndTorque = (text: string, { start, end }: LineTorque): boolean =>
  POSITION.test(text.slice(0, start)) && LED_RANGE.test(text.slice(start, end));

const withoutPreposition = (text: string): string =>
  trimmedKey(trimmedKey(text).replace(/^(?:for|on|at|:)\s+/i, ''));

/** Cuts a line at its torques. Key and torque alternate, either first; one torque may stand in the midst of its key. */
const cutLine = (text: string): Cut | null => {
  const torques = torquesIn(text);
  const [first] = torques;
  if (!first) return bareCut(text);
  const values = torques.map(({ start, end }) => text.slice(start, end));
  const isPlain = !torques.some((torque) => isPositionAndTorque(text, torque));
  const pieces = [...torques, null].map((torque, index) =>
    withoutPreposition(text.slice(torques[index - 1]?.end ?? 0, torque?.start ?? text.length)),
  );
  const [before = ''] = pieces;
  const last = pieces.at(-1) ?? '';
  if (torques.length === 1)
    return {
      pairs: [{ key: [before, last].filter(Boolean).join(' '), value: values[0] ?? '' }],
      isWhole: isPlain,
    };
  const isTorqueFirst = before === '' && last !== '';
  const keys = isTorqueFirst ? pieces.slice(1) : pieces.slice(0, -1);
  return {
    pairs: values.map((value, index) => ({ key: keys[index] ?? '', value })),
    // What stands after the last pair has no torque of its own; a torque without a key may belong to either neighbour.
    isWhole: isPlain && (isTorqueFirst || last === '') && keys.every((key) => key !== ''),
  };
};

/** Whether a piece of a line between commas has a torque or a bare number of its own. */
const hasValue = (piece: string): boolean => torquesIn(piece).length > 0 || bareCut(piece) !== null;

/** Cuts a line that states several torques with one unit for all at its end (`L/N 1.2, G 2 Nm`), or a bare number among them. */
const cuts = (line: string): readonly (Cut | null)[] => {
  const pieces = line.split(/\s*;\s*|,\s+(?=\S)/);
  const isEach =
    pieces.length > 1 &&
    pieces.every((piece) => /[a-z#]/i.test(piece) && /\d/.test(piece) && hasValue(piece));
  return (
    isEach && pieces.some((piece) => bareCut(piece) && torquesIn(piece).length === 0) ? pieces : [line]
  ).map(cutLine);
};

type Keyed = { readonly key: string; readonly statement: LabelStatement };

const isSizeAlone = ({ name, value: _, ...parts }: LabelStatement): boolean =>
  name === '' && Object.values(parts).some((text) => text !== '');

/** Statements with the name that stands before the sizes of a line: `Load: #14-#8 35 in-lb, #6-#3 45 in-lb` is of the load throughout. */
const namedAlike = (keyed: readonly Keyed[]): readonly LabelStatement[] => {
  let ahead = '';
  return keyed.map(({ key, statement }) => {
    if (statement.name !== '') ahead = key.startsWith(statement.name) ? statement.name : '';
    return isSizeAlone(statement) ? { ...statement, name: ahead } : statement;
  });
};

const LEADER = /\s*\.{4,}\s*/g;

/** Reads the statements of a line; what it can't place is asked about. */
export const readLine = (line: string, subject: LabelSubject): ReadLine => {
  const found = cuts(line.replace(LEADER, ' '));
  const pairs = found.flatMap((cut) => cut?.pairs ?? []);
  if (pairs.length === 0) return { statements: [], doubt: 'no-torque' };
  const statements = namedAlike(
    pairs.flatMap(({ key, value }) =>
      listedKeys(key).map((each) => ({ key, statement: { ...keyParts(each, subject), value } })),
    ),
  );
  const isLeftOver = found.some((cut) => !cut?.isWhole) || statements.some(hasLeftOver);
  const isEither = statements.some((statement) => isScrewOrGauge(statement, subject));
  return { statements, doubt: isLeftOver ? 'left-over' : isEither ? 'screw-or-gauge' : null };
};
