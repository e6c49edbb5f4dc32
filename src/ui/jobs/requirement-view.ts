import type { FastenerState } from '#core/job/state.ts';
import { printedTorques, printedUnit } from '#core/requirement/requirement.ts';
import type { Tool } from '#core/tool/tool.ts';
import { displayDigits, type Resolution } from '#core/torque/display.ts';
import { significantDigits } from '#core/torque/torque.ts';
import { fromNewtonMetres, type NewtonMetres, type TorqueUnit, unitSymbol } from '#core/torque/unit.ts';

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

const digitsOf = (fastener: FastenerState): number =>
  Math.max(
    1,
    ...printedTorques(fastener.planned.requirement.requirement).map(({ text }) => significantDigits(text)),
  );

const otherUnit = (printed: TorqueUnit, tool: Tool | null, siteUnit: TorqueUnit): TorqueUnit => {
  if (tool && tool.scale.unit !== printed) return tool.scale.unit;
  return siteUnit === printed ? 'lbf.in' : siteUnit;
};

/** How a fastener's requirement is shown. */
export const requirementView = (
  fastener: FastenerState,
  tool: Tool | null,
  siteUnit: TorqueUnit,
): RequirementView => {
  const unit = printedUnit(fastener.planned.requirement.requirement, siteUnit);
  const resolution = { sourceDigits: digitsOf(fastener), graduation: null };
  const { target, low, high } = fastener.target;
  const show = (torque: NewtonMetres, inUnit = unit): string =>
    displayDigits(fromNewtonMetres(torque, inUnit), resolution);
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
