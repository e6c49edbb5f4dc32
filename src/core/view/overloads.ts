import type { PlannedFastener } from '../job/plan.ts';
import { type LoadStanding, loadAgainstRating } from '../spec/load/load-against-rating.ts';
import type { JobView } from './job-view.ts';

/** Fasteners whose load is above what they are rated for, by as much. */
export type Overload = {
  readonly positions: readonly string[];
  readonly loadAmperes: number;
  readonly ratedAmperes: number;
  readonly standing: Extract<LoadStanding, { readonly kind: 'above' }>;
};

/** How the load of a fastener is above its rating; null where it is not, or where either is not known. */
export const overloadOf = ({ position, loadAmperes, ratedAmperes }: PlannedFastener): Overload | null => {
  if (loadAmperes === undefined || ratedAmperes === undefined) return null;
  const standing = loadAgainstRating(loadAmperes, ratedAmperes);
  return standing.kind === 'above' ? { positions: [position], loadAmperes, ratedAmperes, standing } : null;
};

/** Every fastener of a job that is loaded above its rating, those of one load and one rating together, in the order of the work. */
export const overloads = ({ fasteners }: Pick<JobView, 'fasteners'>): readonly Overload[] => {
  const alike = new Map<string, Overload>();
  for (const { planned } of fasteners) {
    const overload = overloadOf(planned);
    if (!overload) continue;
    const key = `${overload.loadAmperes} ${overload.ratedAmperes}`;
    const positions = [...(alike.get(key)?.positions ?? []), ...overload.positions];
    alike.set(key, { ...overload, positions });
  }
  return [...alike.values()];
};
