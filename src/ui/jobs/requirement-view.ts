import { groupOf } from '#core/job/plan.ts';
import { displayDigits, type Resolution } from '#core/quantity/display.ts';
import { significantDigits } from '#core/quantity/torque.ts';
import { fromNewtonMetres, type NewtonMetres, type TorqueUnit, unitSymbol } from '#core/quantity/unit.ts';
import { printedTorques, printedUnit } from '#core/spec/requirement/requirement.ts';
import type { Tool } from '#core/tool/tool.ts';
import type { FastenerView } from '#core/view/bench.ts';
import { targetOrNull } from '#core/view/fastener-target.ts';
import type { JobView } from '#core/view/job-view.ts';
import { isFullPass, passTarget } from '#core/view/passes.ts';
import { toolFor } from '#core/view/tool-for.ts';

/** A fastener's target and acceptance as a screen shows them: in the unit its source printed. */
export type RequirementView = {
  readonly unit: TorqueUnit;
  readonly symbol: string;
  readonly resolution: Resolution;
  readonly target: string;
  readonly low: string;
  readonly high: string;
  /** The same in the other unit that matters: the tool's, or the site's. */
  readonly otherwise: string;
};

const digitsOf = (fastener: FastenerView): number =>
  Math.max(
    1,
    ...printedTorques(fastener.planned.requirement.requirement).map(({ text }) => significantDigits(text)),
  );

/** Rules that this page does not have give no target; nothing is shown rather than a number. */
const NO_TARGET = { target: null, low: null, high: null } as const;

const otherUnit = (printed: TorqueUnit, tool: Tool | null, siteUnit: TorqueUnit): TorqueUnit => {
  if (tool && tool.scale.unit !== printed) return tool.scale.unit;
  return siteUnit === printed ? 'lbf.in' : siteUnit;
};

/** How a fastener's requirement is shown; of a pass alone where one is named. */
export const requirementView = (
  job: JobView,
  fastener: FastenerView,
  tool: Tool | null = toolFor(job, fastener)?.tool ?? null,
  pass: number | null = null,
): RequirementView => {
  const { siteUnit } = job.plan;
  const unit = printedUnit(fastener.planned.requirement.requirement, siteUnit);
  // A share of a target is worth no digit more than what it is a share of.
  const isShare = pass !== null && !isFullPass(groupOf(job.plan, fastener.planned).kind, pass);
  const sourceDigits = Math.max(1, digitsOf(fastener) - (isShare ? 1 : 0));
  const resolution = { sourceDigits, graduation: null };
  const whole = targetOrNull(job, fastener);
  const { target, low, high } =
    (whole && (pass === null ? whole : passTarget(job.plan, fastener.planned, whole, pass))) ?? NO_TARGET;
  const show = (torque: NewtonMetres | null, inUnit = unit): string =>
    torque === null ? 'none' : displayDigits(fromNewtonMetres(torque, inUnit), resolution);
  const other = otherUnit(unit, tool, siteUnit);
  return {
    unit,
    symbol: unitSymbol(unit),
    resolution,
    target: show(target),
    low: show(low),
    high: show(high),
    otherwise: `${show(target, other)} ${unitSymbol(other)} (${show(low, other)} to ${show(high, other)})`,
  };
};
