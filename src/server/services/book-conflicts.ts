import { jobViewOf } from '#core/event/apply.ts';
import { whoMay } from '#core/people/may.ts';
import { accepted, type Result, refused } from '#core/result.ts';
import { specificationOf } from '#core/spec/book/book-requirement.ts';
import { isToRow } from '#core/spec/book/from-book.ts';
import { type BookStatement, type Conflict, conflictsAmong, contradiction } from '#core/target/conflicts.ts';
import type { FastenerView } from '#core/view/bench.ts';
import { requirementEffect } from '#core/view/requirement-effect.ts';
import type { BookConflict, ConflictEffect, KeptRequirement, LogEntry } from '#wire/book.ts';
import type { Problem } from '#wire/problems/problem.ts';
import type { Site } from '#wire/site.ts';
import type { Asker } from '../asker.ts';
import { type Connection, database } from '../database/pool.ts';
import { selectSettledRequirements, selectSharedKeys } from '../queries/book-requirements.ts';
import { selectTable } from '../queries/book-tables.ts';
import { selectEvents } from '../queries/events.ts';
import { selectDependentJobs } from '../queries/job-references.ts';
import { selectSite } from '../queries/site.ts';
import { insertLogEntry, selectLog } from '../queries/site-log.ts';
import { now } from './clock.ts';
import { tableConflicts } from './table-conflicts.ts';

type Pair = Pick<BookConflict, 'first' | 'other' | 'firstRow' | 'otherRow'>;
type Decided = { readonly chosen: string; readonly chosenRow?: number | null };

/** What a decision is about: two requirements at their revisions, whichever way round. A new revision asks anew. */
const pairSubject = ({ first, other }: Pair): string =>
  [first, other]
    .map(({ code, revision }) => `${code}.${revision}`)
    .sort()
    .join('+');

const chosenOf = ({ chosen, chosenRow = null }: Decided) => ({ chosen, chosenRow });

const decisionOf = (log: readonly LogEntry[], pair: Pair): BookConflict['decision'] => {
  const entry = log.find(({ subject }) => subject === pairSubject(pair));
  return entry ? { ...chosenOf(entry.body as Decided), why: entry.why, by: entry.by, at: entry.at } : null;
};

const grouped = (
  rows: readonly { readonly specKey: string; readonly kept: KeptRequirement }[],
): readonly (readonly KeptRequirement[])[] => {
  const groups = new Map<string, KeptRequirement[]>();
  for (const { specKey, kept } of rows) groups.set(specKey, [...(groups.get(specKey) ?? []), kept]);
  return [...groups.values()];
};

const statementOf = ({ id, body }: KeptRequirement): BookStatement => ({
  id,
  specification: specificationOf(body),
});

const shown = (
  { firstTarget, otherTarget, differencePercent, likely }: Conflict,
  first: KeptRequirement,
  other: KeptRequirement,
  [firstRow, otherRow]: readonly [number | null, number | null] = [null, null],
): Omit<BookConflict, 'isWithinOneSource' | 'decision'> => ({
  subject: [first.body.part, first.body.size].filter(Boolean).join(', '),
  first,
  other,
  firstRow,
  otherRow,
  firstNewtonMetres: firstTarget,
  otherNewtonMetres: otherTarget,
  differencePercent,
  likely: [...likely],
});

/** Where a source contradicts itself; who settled the print has decided, and a new revision decides otherwise. */
const conflictsWithin = (
  settled: readonly KeptRequirement[],
  { schools, unit }: Pick<Site, 'schools' | 'unit'>,
): readonly BookConflict[] =>
  settled.flatMap((first) => {
    const torque = contradiction(first.body.torque, unit);
    if (!torque) return [];
    const other = { ...first, body: { ...first.body, torque } };
    const [conflict] = conflictsAmong([statementOf(first), statementOf(other)], schools);
    if (!conflict) return [];
    const { id, why, changedBy: by, changedAt: at } = first;
    return [
      {
        ...shown(conflict, first, other),
        isWithinOneSource: true,
        decision: { chosen: id, chosenRow: null, why, by, at },
      },
    ];
  });

const conflictsIn = async (db: Connection): Promise<readonly BookConflict[]> => {
  const site = await selectSite(db);
  const { schools } = site;
  const log = await selectLog(db, 'conflict-decided', null);
  const between = grouped(await selectSharedKeys(db)).flatMap((group) => {
    const byId = new Map(group.map((kept) => [kept.id, kept]));
    return conflictsAmong(group.map(statementOf), schools).map((conflict) => {
      const first = byId.get(conflict.first) as KeptRequirement;
      const other = byId.get(conflict.other) as KeptRequirement;
      return {
        ...shown(conflict, first, other),
        isWithinOneSource: false,
        decision: decisionOf(log, { first, other, firstRow: null, otherRow: null }),
      };
    });
  });
  const ofTables = (await tableConflicts(db, site)).map(({ conflict, first, other, rows }) => {
    const [firstRow, otherRow] = rows;
    return {
      ...shown(conflict, first, other, rows),
      isWithinOneSource: false,
      decision: decisionOf(log, { first, other, firstRow, otherRow }),
    };
  });
  return [...between, ...ofTables, ...conflictsWithin(await selectSettledRequirements(db), site)];
};

/** Where sources in force disagree, undecided ones first. */
export const bookConflicts = async (): Promise<readonly BookConflict[]> => {
  const conflicts = await conflictsIn(database());
  return [...conflicts].sort((a, b) => Number(a.decision !== null) - Number(b.decision !== null));
};

const effectsOf = async (
  db: Connection,
  used: KeptRequirement,
  would: KeptRequirement,
  row: number | null,
): Promise<readonly ConflictEffect[]> => {
  const effects: ConflictEffect[] = [];
  const table = row === null ? null : await selectTable(db, used.id);
  const isUsed = ({ planned: { requirement } }: FastenerView): boolean =>
    requirement.book?.id === used.id &&
    (row === null || (table !== null && isToRow(requirement.book, table.body, row)));
  for (const job of await selectDependentJobs(db, { refId: used.id })) {
    const view = jobViewOf(await selectEvents(db, job.id, 0));
    if (!view) continue;
    const effect = requirementEffect(view, isUsed, specificationOf(would.body));
    if (!effect || effect.fasteners === 0) continue;
    const { fasteners, pulled, changed } = effect;
    effects.push({ job: { ...job, fasteners }, would: would.id, pulled, changed: [...changed] });
  }
  return effects;
};

/** What deciding a conflict either way would do to the jobs that use the one that loses; of tables by their rows. Refuses: not-in-conflict. */
export const conflictEffects = async (
  firstId: string,
  otherId: string,
  [atFirst, atOther]: readonly [number | null, number | null] = [null, null],
): Promise<Result<readonly ConflictEffect[], Problem>> => {
  const db = database();
  const conflict = (await conflictsIn(db)).find(
    ({ first, other, firstRow, otherRow }) =>
      first.id === firstId && other.id === otherId && firstRow === atFirst && otherRow === atOther,
  );
  if (!conflict) return refused({ code: 'not-in-conflict' });
  const { first, other, firstRow, otherRow } = conflict;
  const effects = await effectsOf(db, first, other, firstRow);
  return accepted(
    conflict.isWithinOneSource ? effects : [...effects, ...(await effectsOf(db, other, first, otherRow))],
  );
};

type ConflictDecision = {
  readonly first: string;
  readonly firstRow?: number | null;
  readonly other: string;
  readonly otherRow?: number | null;
  readonly chosen: string;
  readonly chosenRow?: number | null;
  readonly why: string;
};

/** Decides which of two sources governs, with a reason that stays. Refuses: role-may-not, not-in-conflict. */
export const decideConflict = async (
  decision: ConflictDecision,
  by: Asker,
): Promise<Result<readonly BookConflict[], Problem>> => {
  const right = whoMay(by, 'decide-conflict');
  if (!right.ok) return right;
  const conflict = (await conflictsIn(database())).find(
    ({ first, other, firstRow, otherRow, isWithinOneSource }) =>
      !isWithinOneSource &&
      first.id === decision.first &&
      firstRow === (decision.firstRow ?? null) &&
      other.id === decision.other &&
      otherRow === (decision.otherRow ?? null),
  );
  const isOneOfThem = [
    [decision.first, decision.firstRow],
    [decision.other, decision.otherRow],
  ].some(([id, row]) => id === decision.chosen && (row ?? null) === (decision.chosenRow ?? null));
  if (!conflict || !isOneOfThem) return refused({ code: 'not-in-conflict' });
  await insertLogEntry(database(), {
    at: now(),
    by,
    kind: 'conflict-decided',
    subject: pairSubject(conflict),
    why: decision.why,
    body: chosenOf(decision),
  });
  return accepted(await bookConflicts());
};
