import type { WrittenTorque } from '../../quantity/torque.ts';
import { accepted, type Result } from '../../result.ts';
import type { Requirement } from '../requirement/requirement.ts';
import { type KeyRefusal, type KeySpan, spanCovers, spanDistance, spanIdentity } from './key-span.ts';
import type { ReadRow, ReadTable, ReadValue } from './lookup-table.ts';
import { readKeyAnswer } from './read-key-span.ts';

/** What a person has answered: a text per key column, null where not yet, and which column of values. */
export type LookUpAnswers = {
  readonly keys: readonly (string | null)[];
  readonly valueColumn: number | null;
};

/** A key or the choice of value column that still makes a difference. */
export type LookUpQuestion =
  | { readonly kind: 'key'; readonly column: number; readonly choices: readonly string[] }
  | { readonly kind: 'value-column'; readonly choices: readonly number[] };

/** Why nothing fits: the answers without which a row would. */
export type WhyNot = {
  readonly column: number;
  readonly answer: string;
  /** Rows next to the answer on an ordered axis, or all that fit but for it. */
  readonly nearest: readonly number[];
};

export type LookUp =
  | { readonly kind: 'unreadable'; readonly column: number; readonly refusal: KeyRefusal }
  | {
      readonly kind: 'open';
      readonly candidates: readonly number[];
      readonly questions: readonly LookUpQuestion[];
    }
  | {
      readonly kind: 'found';
      readonly row: number;
      readonly valueColumn: number;
      readonly value: ReadValue;
      /** Keys nobody had to answer because all that fit agree, and what the row holds for. */
      readonly holdsFor: readonly { readonly column: number; readonly printed: string }[];
      readonly neighbours: readonly number[];
    }
  | {
      readonly kind: 'interpolated';
      readonly rows: readonly [number, number];
      readonly valueColumn: number;
      readonly requirement: Requirement;
    }
  /** More than one row covers the same answers: the table contradicts itself. */
  | { readonly kind: 'several'; readonly rows: readonly number[] }
  | { readonly kind: 'none'; readonly whyNot: readonly WhyNot[] };

type Answered = { readonly column: number; readonly text: string; readonly span: KeySpan };

const CHOICES_MAX = 60;

const cellSpan = (row: ReadRow | undefined, column: number): KeySpan => {
  const cell = row?.keys[column];
  return cell?.ok ? cell.value : { kind: 'any' };
};

const answeredKeys = (
  { table }: ReadTable,
  { keys }: LookUpAnswers,
): Result<readonly Answered[], { readonly column: number; readonly refusal: KeyRefusal }> => {
  const answered: Answered[] = [];
  for (const [column, key] of table.keys.entries()) {
    const text = keys[column] ?? null;
    if (text === null || text.trim() === '') continue;
    const span = readKeyAnswer(key.kind, text, key.unit);
    if (!span.ok) return { ok: false, refusal: { column, refusal: span.refusal } };
    answered.push({ column, text, span: span.value });
  }
  return accepted(answered);
};

const fitting = ({ rows }: ReadTable, answered: readonly Answered[]): readonly number[] =>
  rows.flatMap((row, index) =>
    answered.every(({ column, span }) => spanCovers(cellSpan(row, column), span)) ? [index] : [],
  );

const keyQuestions = (
  { table, rows }: ReadTable,
  candidates: readonly number[],
  answered: readonly Answered[],
): readonly LookUpQuestion[] =>
  table.keys.flatMap((_, column) => {
    if (answered.some((each) => each.column === column)) return [];
    const printed = new Map(
      candidates.map((index) => [
        spanIdentity(cellSpan(rows[index], column)),
        rows[index]?.source.keys[column]?.printed ?? '',
      ]),
    );
    return printed.size > 1
      ? [{ kind: 'key' as const, column, choices: [...printed.values()].slice(0, CHOICES_MAX) }]
      : [];
  });

const columnQuestion = (
  { table, rows }: ReadTable,
  candidates: readonly number[],
  chosen: number | null,
): readonly LookUpQuestion[] => {
  if (chosen !== null) return [];
  const choices = table.values
    .map((_, column) => column)
    .filter((column) =>
      candidates.some((index) => {
        const cell = rows[index]?.values[column];
        return cell?.ok && cell.value !== null;
      }),
    );
  return choices.length > 1 ? [{ kind: 'value-column', choices }] : [];
};

/** Of rows, the ones next below and next above an answer; all of them where the axis has no order. */
const nextTo = (
  { rows }: ReadTable,
  among: readonly number[],
  { column, span }: Answered,
): readonly number[] => {
  const placed = among.flatMap((index) => {
    const distance = spanDistance(cellSpan(rows[index], column), span);
    return distance === null ? [] : [{ index, distance }];
  });
  if (placed.length < among.length) return among.slice(0, CHOICES_MAX);
  const under = placed.filter(({ distance }) => distance < 0).sort((a, b) => b.distance - a.distance)[0];
  const over = placed.filter(({ distance }) => distance > 0).sort((a, b) => a.distance - b.distance)[0];
  return [under, over].flatMap((each) => (each ? [each.index] : []));
};

const whyNothingFits = (read: ReadTable, answered: readonly Answered[]): readonly WhyNot[] =>
  answered.flatMap((each) => {
    const among = fitting(
      read,
      answered.filter((other) => other !== each),
    );
    if (among.length === 0) return [];
    return [{ column: each.column, answer: each.text, nearest: nextTo(read, among, each) }];
  });

const onlyColumn = (read: ReadTable, row: number): number => {
  const withValue = read.rows[row]?.values.findIndex((cell) => cell.ok && cell.value !== null) ?? 0;
  return Math.max(0, withValue);
};

const neighboursOf = (read: ReadTable, row: number, answered: readonly Answered[]): readonly number[] => {
  const ordered = answered.find(
    ({ span }) => span.kind === 'band' || (span.kind === 'names' && span.order !== null),
  );
  if (!ordered) return [];
  const others = answered.filter((each) => each !== ordered);
  return nextTo(
    read,
    fitting(read, others).filter((index) => index !== row),
    ordered,
  );
};

const mixed = (a: WrittenTorque, b: WrittenTorque, share: number): WrittenTorque => {
  const decimals = Math.max(a.text.split('.')[1]?.length ?? 0, b.text.split('.')[1]?.length ?? 0) + 1;
  const text = (a.value + (b.value - a.value) * share).toFixed(decimals);
  return { text, value: Number(text), unit: a.unit };
};

const interpolation = (
  read: ReadTable,
  answered: readonly Answered[],
  valueColumn: number,
): LookUp | null => {
  const [only] = answered;
  if (!read.table.mayInterpolate || !only || answered.length !== 1 || only.span.kind !== 'band') return null;
  const [below, above] = nextTo(
    read,
    read.rows.map((_, index) => index),
    only,
  );
  if (below === undefined || above === undefined) return null;
  const [low, high] = [cellSpan(read.rows[below], only.column), cellSpan(read.rows[above], only.column)];
  const values = [below, above].map((row) => read.rows[row]?.values[valueColumn]);
  const [a, b] = values.map((cell) =>
    cell?.ok && cell.value?.kind === 'torque' ? cell.value.read.requirement : null,
  );
  if (low.kind !== 'band' || high.kind !== 'band' || !a || !b) return null;
  const share = (only.span.low - low.high) / (high.low - low.high);
  const rows = [below, above] as const;
  if (a.kind === 'range' && b.kind === 'range' && a.low.unit === b.low.unit)
    return {
      kind: 'interpolated',
      rows,
      valueColumn,
      requirement: { kind: 'range', low: mixed(a.low, b.low, share), high: mixed(a.high, b.high, share) },
    };
  if (a.kind === 'nominal' && b.kind === 'nominal' && a.nominal.unit === b.nominal.unit)
    return {
      kind: 'interpolated',
      rows,
      valueColumn,
      requirement: { kind: 'nominal', nominal: mixed(a.nominal, b.nominal, share) },
    };
  return null;
};

/** Looks a table up by its keys: asks only what still makes a difference, finds one row, or says why none fits and what lies nearest.
 *  Between rows it interpolates only where the table says that it may. Total. */
export const lookUp = (read: ReadTable, answers: LookUpAnswers): LookUp => {
  const answered = answeredKeys(read, answers);
  if (!answered.ok) return { kind: 'unreadable', ...answered.refusal };
  const candidates = fitting(read, answered.value);
  if (candidates.length === 0)
    return (
      interpolation(read, answered.value, answers.valueColumn ?? 0) ?? {
        kind: 'none',
        whyNot: whyNothingFits(read, answered.value),
      }
    );
  const questions = [
    ...keyQuestions(read, candidates, answered.value),
    ...columnQuestion(read, candidates, answers.valueColumn),
  ];
  const needsKey = candidates.length > 1 && questions.every(({ kind }) => kind !== 'key');
  if (needsKey) return { kind: 'several', rows: candidates };
  if (questions.length > 0) return { kind: 'open', candidates, questions };
  const row = candidates[0] as number;
  const valueColumn = answers.valueColumn ?? onlyColumn(read, row);
  const cell = read.rows[row]?.values[valueColumn];
  return {
    kind: 'found',
    row,
    valueColumn,
    value: cell?.ok ? cell.value : null,
    holdsFor: read.table.keys.flatMap((_, column) => {
      const isAsked = answered.value.some((each) => each.column === column);
      const isAny = cellSpan(read.rows[row], column).kind === 'any';
      return isAsked || isAny
        ? []
        : [{ column, printed: read.rows[row]?.source.keys[column]?.printed ?? '' }];
    }),
    neighbours: neighboursOf(read, row, answered.value),
  };
};
