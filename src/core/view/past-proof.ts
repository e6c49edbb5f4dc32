import type { PlannedFastener } from '../job/plan.ts';
import { type ProofWarning, proofWarning } from '../preload/proof-warning.ts';
import type { JobView } from './job-view.ts';

/** Screws that their requirement takes past what is warned of, by as much. */
export type PastProof = ProofWarning & { readonly positions: readonly string[] };

/** The warning for a fastener; null where there is none, or where its thread or class is not known. */
const proofWarningOf = ({ thread, propertyClass, requirement }: PlannedFastener): ProofWarning | null => {
  const conditions = requirement.book?.conditions;
  const known = propertyClass ?? conditions?.propertyClass;
  if (known === undefined || thread === '') return null;
  return proofWarning({
    thread,
    propertyClass: known,
    requirement: requirement.requirement,
    lubrication: conditions?.lubrication ?? 'not-stated',
  });
};

/** Every screw of a job that its requirement takes past 90 % of proof where friction is low, those alike together, in the order of the work. */
export const pastProof = ({ fasteners }: Pick<JobView, 'fasteners'>): readonly PastProof[] => {
  const alike = new Map<string, ProofWarning & { readonly positions: string[] }>();
  for (const { planned } of fasteners) {
    const warning = proofWarningOf(planned);
    if (!warning) continue;
    const key = `${warning.thread} ${warning.propertyClass} ${warning.torqueNm} ${warning.share}`;
    const known = alike.get(key) ?? { ...warning, positions: [] };
    known.positions.push(planned.position);
    alike.set(key, known);
  }
  return [...alike.values()];
};
