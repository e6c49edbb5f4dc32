import type { WrittenTorque } from '../quantity/torque.ts';
import { accepted, type Result, refused } from '../result.ts';
import type { BookReference } from '../spec/book/book-reference.ts';
import type { Requirement } from '../spec/requirement/requirement.ts';
import type { Schools } from '../target/schools.ts';
import type { Target, TargetRefusal } from '../target/target-and-acceptance.ts';
import type { Rules } from './rules.ts';

/** A requirement as it stands on a line or a job. */
type OnJob = {
  readonly requirement: Requirement;
  readonly book: BookReference | null;
  readonly isLowerHalf?: boolean | undefined;
};

/** Target and acceptance of a requirement, with all that the book says of it: the one way from a requirement to a target, for a line of a
 *  list, a plan and a pull alike. The school "tool class" has none until a tool is chosen, which works it out again; the site's tolerance
 *  stands in until then. Refuses: what specifiedTarget refuses, snug-then-angle, and angle-not-recordable
 *  (under rules that turn no angle, and an angle of the other part that stands beside no torque). */
export const requirementTarget = (
  { requirement, book, isLowerHalf = false }: OnJob,
  runOn: WrittenTorque | null,
  schools: Schools,
  toolLimitPercent: number | null,
  rules: Rules,
): Result<Target, TargetRefusal> => {
  const known =
    toolLimitPercent === null ? { ...schools, nominalTolerance: 'site-tolerance' as const } : schools;
  const printedRunOn = book?.conditions.runOn.kind === 'measured' ? book.conditions.runOn.torque : null;
  const target = rules.target(
    {
      requirement,
      otherPart: book?.otherPart?.requirement ?? null,
      runOn: runOn ?? printedRunOn,
      isForHarderMaterial: book?.isPartSofter ?? false,
      isLowerHalf,
    },
    known,
    toolLimitPercent,
  );
  if (!target.ok)
    return rules.anglesAreTurned &&
      requirement.kind === 'snug-then-angle' &&
      target.refusal.code === 'angle-not-recordable'
      ? refused({ code: 'snug-then-angle', angleDegrees: target.refusal.angleDegrees })
      : target;
  const { thenAngleDegrees, ...torqueTarget } = target.value;
  return thenAngleDegrees === null || rules.anglesAreTurned
    ? accepted(torqueTarget)
    : refused({ code: 'angle-not-recordable', angleDegrees: thenAngleDegrees });
};
