import { type Pace, paceOf } from '#core/route/pace.ts';
import { database } from '../database/pool.ts';
import { selectWorkMoments } from '../queries/work-moments.ts';

/** How long the site's own pulls take, from its newest jobs; null where it has made too few. */
export const sitePace = async (): Promise<Pace | null> => paceOf(await selectWorkMoments(database()));
