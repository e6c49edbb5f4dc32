import type { JobEvent } from '#core/event/event.ts';
import type { JobView } from '#core/view/job-view.ts';
import type { Transaction } from '../database/transaction.ts';
import type { ToolEvent } from '../queries/tool-events.ts';

/** What a projection follows from: events that a job was given, with how it stood before and after, or one that a tool was given. */
export type Fact =
  | {
      readonly kind: 'job';
      readonly before: JobView | null;
      readonly after: JobView;
      /** In the newest form, in their order. */
      readonly events: readonly JobEvent[];
    }
  | { readonly kind: 'tool'; readonly event: ToolEvent };

/** Tables that follow from events and can be written again from them. `version` goes up when its form or its content changes; a database
 *  that holds another version is rebuilt when the site starts. The number of statements of `apply` does not grow with the events. */
export type Projection = {
  readonly name: string;
  readonly version: number;
  /** Whether an append writes it in the same statement that moves the head, so that `apply` is for rebuilding only. */
  readonly isWrittenWithHead?: boolean;
  readonly clear: (db: Transaction) => Promise<void>;
  readonly apply: (db: Transaction, fact: Fact) => Promise<void>;
  /** Writes what follows from other things than events: the book. */
  readonly addRest?: (db: Transaction) => Promise<void>;
};
