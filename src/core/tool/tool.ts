import type { Scale } from '../setting/scale.ts';
import type { ToolClass } from './class-limit.ts';

/** The kinds of setting tool whose scale is a barrel under a handle that turns. */
export const TOOL_KINDS = ['adjustable-screwdriver', 'adjustable-click-wrench'] as const;

export type ToolKind = (typeof TOOL_KINDS)[number];

/** A torque tool as a record states it: everything a verdict and a certificate need, frozen when it was chosen. */
export type Tool = {
  readonly id: string;
  /** What is written on the tool, such as `TS-07`. */
  readonly code: string;
  readonly kind: ToolKind;
  readonly toolClass: ToolClass;
  readonly serial: string;
  readonly scale: Scale;
  /** Maximum permissible deviation, in percent of the reading. */
  readonly limitPercent: number;
  /** ISO dates, such as `2026-03-02`. */
  readonly calibratedOn: string;
  readonly calibrationDueOn: string;
};

/** Whether a tool's calibration has run out on a day; the due day itself still counts. Both ISO dates. */
export const isOverdue = (tool: Pick<Tool, 'calibrationDueOn'>, onDate: string): boolean =>
  onDate > tool.calibrationDueOn;
