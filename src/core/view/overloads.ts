import type { PlannedFastener } from '../job/plan.ts';
import { type LoadStanding, loadAgainstRating } from '../spec/load/load-against-rating.ts';
import type { JobView } from './job-view.ts';

/** A fastener whose load is above what it is rated for. */
export type Overload = {
  readonly position: string;
  readonly loadAmperes: number;
  readonly ratedAmperes: number;
  readonly standing: Extract<LoadStanding, { readonly kind: 'above' }>;
};

/** How the load of a fastener is above its rating; null where it is not, or where either is not known. */
export const overloadOf = ({ position, loadAmperes, ratedAmperes }: PlannedFastener): Overload | null => {
  if (loadAmperes === undefined || ratedAmperes === undefined) return null;
  const standing = loadAgainstRating(loadAmperes, ratedAmperes);
  return standing.kind === 'above' ? { position, loadAmperes, ratedAmperes, standing } : null;
};

/** Every fastener of a job that is loaded above its rating, in the order of the work. */
export const overloads = ({ fasteners }: Pick<JobView, 'fasteners'>): readonly Overload[] =>
  fasteners.flatMap(({ planned }) => overloadOf(planned) ?? []);
