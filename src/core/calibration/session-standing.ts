import { likelyMixUps } from '../quantity/mix-up.ts';
import { fromNewtonMetres, newtonMetres } from '../quantity/unit.ts';
import type { Tool } from '../tool/tool.ts';
import type { SessionConditions, SessionPoint } from './session-evaluation.ts';
import { sessionPlan } from './session-plan.ts';

/** Why a session does not count as a calibration. */
export const SESSION_SHORTFALLS = [
  'points-missing',
  'readings-missing',
  'reference-unknown',
  'reference-too-coarse',
  'reading-doubtful',
] as const;
export type SessionShortfall = (typeof SESSION_SHORTFALLS)[number];

/** The reference's expanded uncertainty may be this share of the tool's limit at most (inclusive). Source: ISO 6789-2:2017 (from memory). */
const REFERENCE_SHARE = 1 / 4;
/** How far from a planned point a point may be and still be it, as a share. */
const SAME_POINT = 0.01;
const HAIR = 1e-9;

/** What is missing for a session to count as a calibration; empty when nothing is. Anything less is a cross-check, which informs and never
 *  releases a tool. Source: the points and readings of ISO 6789-1:2017 and 6789-2:2017 (from memory). */
export const sessionShortfalls = (
  tool: Pick<Tool, 'toolClass' | 'scale'>,
  points: readonly SessionPoint[],
  conditions: SessionConditions,
): readonly SessionShortfall[] => {
  const plan = sessionPlan(tool.toolClass, tool.scale);
  const { unit } = tool.scale;
  const shown = ({ shown: torque }: SessionPoint): number => fromNewtonMetres(newtonMetres(torque), unit);
  const done = plan.points.map((wanted) =>
    points.filter((point) => Math.abs(shown(point) / wanted - 1) <= SAME_POINT),
  );
  const readings = done.map((each) => each.reduce((sum, { references }) => sum + references.length, 0));
  const { referenceExpandedPercent, limitPercentAt } = conditions;
  const limits = points.map((point) => limitPercentAt(point.shown));
  const doubtful = points.some((point) =>
    point.references.some((reference) => likelyMixUps(reference, point.shown).length > 0),
  );
  return [
    ...(readings.some((count) => count === 0) ? (['points-missing'] as const) : []),
    ...(readings.some((count) => count > 0 && count < plan.readingsEach)
      ? (['readings-missing'] as const)
      : []),
    ...(referenceExpandedPercent > 0 ? [] : (['reference-unknown'] as const)),
    ...(limits.some((limit) => referenceExpandedPercent > limit * REFERENCE_SHARE * (1 + HAIR))
      ? (['reference-too-coarse'] as const)
      : []),
    ...(doubtful ? (['reading-doubtful'] as const) : []),
  ];
};
