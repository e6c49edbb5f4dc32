import type { JobPlan } from '#core/job/plan.ts';
import type { PartHistory } from '#wire/part.ts';
import { database } from '../database/pool.ts';
import { selectPartHistories, selectParts } from '../queries/part-events.ts';

/** The codes of the parts of a plan and of the machine it is done on. */
const codesOf = ({ asset, groups }: Pick<JobPlan, 'asset' | 'groups'>): readonly string[] => [
  ...new Set([
    ...(asset ? [asset.code] : []),
    ...groups.flatMap(({ parts }) => parts.map(({ code }) => code)),
  ]),
];

/** What the parts of a plan have been through over all jobs. */
export const partHistoriesOf = (plan: Pick<JobPlan, 'asset' | 'groups'>): Promise<readonly PartHistory[]> =>
  selectPartHistories(database(), codesOf(plan));

/** What a part has been through over all jobs; an empty history where no job named it. */
export const partHistory = async (code: string): Promise<PartHistory> =>
  (await selectPartHistories(database(), [code]))[0] ?? { code, total: 0, entries: [] };

/** Every part and machine that a job named. */
export const knownParts = () => selectParts(database());
