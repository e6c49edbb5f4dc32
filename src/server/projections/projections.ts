import type { Transaction } from '../database/transaction.ts';
import { partsProjection } from './parts.ts';
import type { Fact, Projection } from './projection.ts';
import { pullCountsProjection, pullsProjection } from './pulls.ts';
import { referencesProjection } from './references.ts';
import { searchProjection } from './search.ts';
import { summariesProjection } from './summaries.ts';
import { toolsProjection } from './tools.ts';

/** Everything that follows from events. A new one is its own file and a line here. */
export const PROJECTIONS: readonly Projection[] = [
  toolsProjection,
  summariesProjection,
  pullsProjection,
  pullCountsProjection,
  partsProjection,
  referencesProjection,
  searchProjection,
];

/** Lets every projection follow a fact, all but what is written with the head. */
export const project = async (db: Transaction, fact: Fact): Promise<void> => {
  for (const { apply, isWrittenWithHead = false } of PROJECTIONS)
    if (!isWrittenWithHead) await apply(db, fact);
};
