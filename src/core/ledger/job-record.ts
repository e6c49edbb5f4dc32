import { jobViewOf } from '../event/apply.ts';
import { inKeyOrder, isKnownVersion } from '../event/event-forms.ts';
import { type LedgerEvent, lifted } from '../event/lifted.ts';
import type { Seal } from './seal.ts';
import { type JobStatement1, jobStatement1, type ToolTaken } from './statement-1.ts';
import { type JobStatement2, jobStatement2 } from './statement-2.ts';
import { type JobStatement3, jobStatement3 } from './statement-3.ts';

export const RECORD_FORMAT = 'jentik-job-record';
export const RECORD_VERSIONS = [1, 2, 3] as const;
export type RecordVersion = (typeof RECORD_VERSIONS)[number];

/** A job's record as it leaves the house: what it states, the events that prove it, and the site's seal over their head. */
export type JobRecord = {
  readonly format: typeof RECORD_FORMAT;
  readonly version: RecordVersion;
  readonly statement: JobStatement1 | JobStatement2 | JobStatement3;
  readonly events: readonly LedgerEvent[];
  readonly seal: Seal;
};

/** The version a job's record is written in: that of the newest form among its events, so that the record of an older job says the same as ever. */
export const recordVersion = (events: readonly LedgerEvent[]): RecordVersion =>
  RECORD_VERSIONS.findLast((version) => events.some(({ schemaVersion }) => schemaVersion === version)) ?? 1;

const toolsTaken = (events: readonly LedgerEvent[]): readonly ToolTaken[] =>
  events.flatMap((kept) => {
    const event = lifted(kept);
    if (event.kind !== 'tool-chosen') return [];
    const { tool, adapters, blocks, override, groups } = event.body;
    return [
      {
        tool,
        chosenOn: event.serverTime.slice(0, 10),
        adapters,
        groups,
        override: override === null ? null : { blocks, why: override, by: event.person.name },
      },
    ];
  });

/** The statement that a job's events prove, in the form of their record's version; null for events that plan no job, or that this code can't read. */
const provenStatement = (events: readonly LedgerEvent[]): JobRecord['statement'] | null => {
  if (!events.every(isKnownVersion)) return null;
  const job = jobViewOf(events);
  if (!job) return null;
  const tools = toolsTaken(events);
  switch (recordVersion(events)) {
    case 1:
      return jobStatement1(job, tools);
    case 2:
      return jobStatement2(job, tools, events.map(lifted));
    case 3:
      return jobStatement3(job, tools, events.map(lifted));
  }
};

/** The one record of a job's events under a seal, every key in its order; null for events that plan no job or are not of the form they say. */
export const jobRecord = (
  kept: readonly LedgerEvent[],
  { site, job, headSequence, headHash, sealedAt, publicKey, signature }: Seal,
): JobRecord | null => {
  const events = kept.flatMap((event) => inKeyOrder(event) ?? []);
  const statement = events.length === kept.length ? provenStatement(events) : null;
  return (
    statement && {
      format: RECORD_FORMAT,
      version: recordVersion(events),
      statement,
      events,
      seal: { site, job, headSequence, headHash, sealedAt, publicKey, signature },
    }
  );
};

/** The one text of a record. The verifier takes no other, because a digit past what a number can hold would change the text and not the value. */
export const recordText = (record: unknown): string => `${JSON.stringify(record, null, 2)}\n`;
