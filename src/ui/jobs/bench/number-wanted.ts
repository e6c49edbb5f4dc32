import { unitSymbol } from '#core/quantity/unit.ts';
import { isIndicating } from '#core/tool/tool.ts';
import type { NextAction } from '#core/view/next-action.ts';

/** Whether digits say something now: a reading, a run-on torque, or what a step measures. */
export const takesNumber = (action: NextAction): boolean =>
  action.kind === 'pull' ||
  action.kind === 'measure-run-on' ||
  action.kind === 'turn' ||
  (action.kind === 'step' && action.due.limits !== null);

/** Whether nothing goes on without them. */
export const isNumberNeeded = (action: NextAction): boolean =>
  takesNumber(action) && (action.kind !== 'pull' || isIndicating(action.taken.tool));

/** The unit that digits are in now; empty where they say nothing. */
export const unitTyped = (action: NextAction, isInSixths = false): string => {
  switch (action.kind) {
    case 'turn':
      return isInSixths ? 'sixths of a turn' : '°';
    case 'pull':
    case 'measure-run-on':
      return unitSymbol(action.taken.tool.scale.unit);
    case 'step':
      return action.due.limits?.unit ?? '';
    default:
      return '';
  }
};
