import { readNumber } from '../quantity/read-number.ts';
import { writtenInNewtonMetres } from '../quantity/torque.ts';
import type { TorqueUnit } from '../quantity/unit.ts';
import { accepted, type Result } from '../result.ts';
import { printedTorques } from '../spec/requirement/requirement.ts';
import type { RequirementRefusal } from '../spec/requirement/requirement-refusal.ts';
import { resolvedRequirement, type UnresolvedRefusal } from '../spec/requirement/resolved-requirement.ts';
import { type PropertyClass, propertyClassOf } from '../spec/screw/property-class.ts';
import type { Surface } from './nut-factor.ts';
import { PROOF_SHARE_MOST, type PreloadBand, preloadBand } from './preload-band.ts';
import { forceOfStretch, forceOfTurn, jointStiffness, stretchOfForce } from './stretch.ts';
import { type Stripping, stripping } from './stripping.ts';
import type { NutMaterial } from './tensile-strength.ts';
import { type GeometryRefusal, type ThreadGeometry, threadGeometry } from './thread-geometry.ts';

/** What a person asks of a screw, as it was typed; empty where they did not say. */
export type PreloadTyped = {
  readonly thread: string;
  readonly torque: string;
  readonly propertyClass: string;
  readonly surface: Surface;
  readonly nut: NutMaterial | '';
  readonly engagementMm: string;
  readonly clampedMm: string;
  readonly stretchMm: string;
  readonly angleDegrees: string;
};

/** What comes of it. Forces in newtons. */
export type PreloadFound = {
  readonly thread: ThreadGeometry;
  readonly torqueNm: number;
  readonly propertyClass: PropertyClass | null;
  readonly band: PreloadBand;
  /** Whether the torque takes the screw past what is warned of, at the low end of friction. */
  readonly isPastProof: boolean;
  readonly stripping: Stripping | null;
  /** Screw stretched by the middle of the band, and the force of a stretch that was measured. */
  readonly stretch: { readonly wantedMm: number; readonly measuredN: number | null } | null;
  readonly turn: { readonly forceN: number } | null;
};

export type PreloadProblem = GeometryRefusal | RequirementRefusal | UnresolvedRefusal;

const TOOL_SCATTER = 0.03;
/** What is clamped is taken for so many times as stiff as the screw. Common practice. */
const CLAMPED_TIMES = 3;

const millimetres = (text: string): number | null => {
  const read = readNumber(text);
  return read.ok && read.value.value > 0 ? read.value.value : null;
};

/** What a torque makes of a screw, from what was typed; null where thread or torque is not typed yet. Refuses: what the thread and the torque can't
 *  be read for. */
export const preloadFacts = (
  typed: PreloadTyped,
  siteUnit: TorqueUnit,
): Result<PreloadFound, PreloadProblem> | null => {
  if (typed.thread.trim() === '' || typed.torque.trim() === '') return null;
  const thread = threadGeometry(typed.thread);
  if (!thread.ok) return thread;
  const read = resolvedRequirement(typed.torque, siteUnit);
  if (!read.ok) return read;
  // The highest that the print allows: what the screw must bear.
  const torques = printedTorques(read.value.requirement).map(writtenInNewtonMetres);
  const torqueNm = Math.max(0, ...torques);
  if (torqueNm === 0) return null;
  const propertyClass = propertyClassOf(typed.propertyClass);
  const band = preloadBand({
    thread: thread.value,
    surface: typed.surface,
    torqueNm,
    toolScatter: TOOL_SCATTER,
    propertyClass,
  });
  const engagement = millimetres(typed.engagementMm);
  const clamped = millimetres(typed.clampedMm);
  const measured = millimetres(typed.stretchMm);
  const angle = millimetres(typed.angleDegrees);
  // Free length, and half of a nut's worth of engaged thread, all at the stress area: a shank would be stiffer.
  const parts =
    clamped === null
      ? null
      : [
          {
            lengthMm: clamped + (engagement ?? 0.8 * thread.value.majorMm) / 2,
            areaMm2: thread.value.stressAreaMm2,
          },
        ];
  return accepted({
    thread: thread.value,
    torqueNm,
    propertyClass,
    band,
    isPastProof: (band.shareOfProof?.atLowFriction ?? 0) > PROOF_SHARE_MOST,
    stripping:
      propertyClass && typed.nut !== '' && engagement !== null
        ? stripping(thread.value, propertyClass, typed.nut, engagement)
        : null,
    stretch: parts && {
      wantedMm: stretchOfForce(band.forcesN[1], parts),
      measuredN: measured === null ? null : forceOfStretch(measured, parts),
    },
    turn:
      parts && angle !== null
        ? { forceN: forceOfTurn(jointStiffness(parts, CLAMPED_TIMES), thread.value.pitchMm, angle) }
        : null,
  });
};
