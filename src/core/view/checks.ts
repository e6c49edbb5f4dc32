import type { CheckBody } from '../job/check.ts';
import type { By } from '../job/happened.ts';
import type { RecallBody, ValueRecallBody } from '../job/recall-note.ts';

/** What stands beside a job's signatures and never strikes them: checks of finished fasteners, settling readings, recalls of tools and of values. */
export type ChecksView = {
  readonly checks: readonly (CheckBody & By)[];
  readonly recalls: readonly (RecallBody & By)[];
  readonly valueRecalls: readonly (ValueRecallBody & By)[];
};

export const NO_CHECKS: ChecksView = { checks: [], recalls: [], valueRecalls: [] };
