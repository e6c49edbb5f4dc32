import type { CheckBody } from '../job/check.ts';
import type { RecallBody } from '../job/recall-note.ts';
import type { Person } from '../people/person.ts';

type By = { readonly eventId: string; readonly person: Person; readonly at: string };

/** What stands beside a job's signatures and never strikes them: checks of finished fasteners, settling readings, recalls. */
export type ChecksView = {
  readonly checks: readonly (CheckBody & By)[];
  readonly recalls: readonly (RecallBody & By)[];
};

export const NO_CHECKS: ChecksView = { checks: [], recalls: [] };
