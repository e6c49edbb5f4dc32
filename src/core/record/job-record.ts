import type { JobEvent } from '../job/event.ts';
import type { JobState } from '../job/state.ts';
import type { Seal } from '../ledger/seal.ts';
import { type JobStatement, jobStatement } from './statement.ts';

export const RECORD_FORMAT = 'jentik-job-record';
export const RECORD_VERSION = 1;

/** A job's record as it leaves the house: what it states, the events that prove it, and the site's seal over their head. */
export type JobRecord = {
  readonly format: typeof RECORD_FORMAT;
  readonly version: typeof RECORD_VERSION;
  readonly statement: JobStatement;
  readonly events: readonly JobEvent[];
  readonly seal: Seal;
};

/** The statement that a job's events prove. */
export const provenStatement = (state: JobState, events: readonly JobEvent[]): JobStatement =>
  jobStatement(
    state,
    events.flatMap((event) =>
      event.kind === 'tool-chosen'
        ? [
            {
              tool: event.body.tool,
              chosenOn: event.serverTime.slice(0, 10),
              adapters: event.body.adapters,
              override:
                event.body.override === null
                  ? null
                  : { blocks: event.body.blocks, why: event.body.override, by: event.person.name },
            },
          ]
        : [],
    ),
  );

/** The record of a job. */
export const jobRecord = (state: JobState, events: readonly JobEvent[], seal: Seal): JobRecord => ({
  format: RECORD_FORMAT,
  version: RECORD_VERSION,
  statement: provenStatement(state, events),
  events,
  seal,
});

/** The one text of a record. The verifier takes no other, because a digit past what a number can hold would change the text and not the value. */
export const recordText = (record: unknown): string => `${JSON.stringify(record, null, 2)}\n`;
