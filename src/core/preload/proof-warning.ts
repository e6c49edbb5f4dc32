import { writtenInNewtonMetres } from '../quantity/torque.ts';
import type { PrintedTorque } from '../spec/book/book-requirement.ts';
import type { Conditions } from '../spec/requirement/conditions.ts';
import { printedTorques, type Requirement } from '../spec/requirement/requirement.ts';
import type { PropertyClass } from '../spec/screw/property-class.ts';
import { NUT_FACTORS, type Surface } from './nut-factor.ts';
import { PROOF_SHARE_MOST, stressShare } from './preload-band.ts';
import { threadGeometry } from './thread-geometry.ts';

/** A requirement on a screw of which thread and class are known. */
export type ScrewAsked = {
  /** As printed, such as `M3`; other words beside it may not be read. */
  readonly thread: string;
  readonly requirement: Requirement;
  readonly propertyClass: PropertyClass;
  readonly lubrication: Conditions['lubrication'];
};

/** A screw that a torque takes past what is warned of. */
export type ProofWarning = {
  readonly thread: string;
  readonly propertyClass: PropertyClass;
  readonly torqueNm: number;
  /** Share of its proof strength at the low end of friction; a bare ratio. */
  readonly share: number;
};

// What a compound is nobody can tell from its name: a paste is what makes a screw the tightest.
const SURFACE_OF: Readonly<Record<Conditions['lubrication'], Surface>> = {
  'not-stated': 'dry-steel',
  dry: 'dry-steel',
  oiled: 'oiled',
  compound: 'molybdenum-paste',
};

/** The warning where the highest torque that a requirement allows takes its screw past 90 % of proof at the low end of friction; null where it does not, or where its
 *  thread can't be read. */
export const proofWarning = (asked: ScrewAsked): ProofWarning | null => {
  const geometry = threadGeometry(asked.thread);
  if (!geometry.ok) return null;
  const torqueNm = Math.max(0, ...printedTorques(asked.requirement).map(writtenInNewtonMetres));
  if (torqueNm === 0) return null;
  const [low] = NUT_FACTORS[SURFACE_OF[asked.lubrication]];
  const { propertyClass } = asked;
  const share = stressShare({ thread: geometry.value, torqueNm }, low, propertyClass);
  return share > PROOF_SHARE_MOST
    ? { thread: geometry.value.designation, propertyClass, torqueNm, share }
    : null;
};

/** The warning for a value of the book on a thread; null where there is none, or where no class is asked for. */
export const proofWarningInBook = (
  torque: PrintedTorque,
  { propertyClass, lubrication }: Pick<Conditions, 'propertyClass' | 'lubrication'>,
  thread: string,
): ProofWarning | null =>
  propertyClass === undefined
    ? null
    : proofWarning({ thread, requirement: torque.requirement, propertyClass, lubrication });
