import type { MountedAdapter } from '../adapter/adapter.ts';
import type { CautionId, JobKind } from '../job/cautions.ts';
import type { ReadRequirement, RequirementRefusal } from '../requirement/read-requirement.ts';
import type { Result } from '../result.ts';
import type { toolSetting } from '../setting/tool-setting.ts';
import type { Schools } from '../target/schools.ts';
import type { Specification, SpecifiedTarget } from '../target/specified-target.ts';
import type { TargetRefusal } from '../target/target-and-acceptance.ts';
import type { Tool } from '../tool/tool.ts';
import type { likelyMixUps } from '../torque/mix-up.ts';
import type { NewtonMetres, TorqueUnit } from '../torque/unit.ts';
import type { tighteningVerdict } from '../verdict/tightening-verdict.ts';

/** What a tool applied when it showed a torque, as far as it is known. */
export type Applied = {
  readonly torque: NewtonMetres;
  /** The known error that was corrected for, in percent; null where none was. */
  readonly knownErrorPercent: number | null;
};

/** Everything that can change a judgement, under one number. A judgement names the number it was made by; what a frozen number
 *  answers never changes, whatever becomes of the code. A number is this table of functions: only what differs stands twice. */
export type Rules = {
  readonly number: number;
  /** The print of a requirement, read. */
  readonly readRequirement: (
    printed: string,
    siteUnit: TorqueUnit,
  ) => Result<ReadRequirement, RequirementRefusal>;
  /** Whether a person may say that a print which speaks for itself says something else. */
  readonly mayRereadClearPrint: boolean;
  /** Target and acceptance; the permissible deviation of the tool's class in percent, null while there is no tool. */
  readonly target: (
    specification: Specification,
    schools: Schools,
    toolLimitPercent: number | null,
  ) => Result<SpecifiedTarget, TargetRefusal>;
  readonly setting: typeof toolSetting;
  readonly applied: (shown: NewtonMetres, tool: Pick<Tool, 'calibration'>) => Applied;
  /** Standard uncertainty at the fastener, in newton metres, when the tool shows a torque through adapters. */
  readonly standardUncertainty: (
    shown: NewtonMetres,
    tool: Pick<Tool, 'limitPercent' | 'limitOf' | 'scale' | 'calibration' | 'leverMillimetres'>,
    adapters: readonly MountedAdapter[],
    adapterFactor: number,
  ) => NewtonMetres;
  readonly verdict: typeof tighteningVerdict;
  readonly likelyMixUps: typeof likelyMixUps;
  /** The cautions that a kind of job demands before its first pull. */
  readonly cautions: (jobKind: JobKind) => readonly CautionId[];
  /** Highest run-on torque taken, as a multiple of the target without it: above it the nut or the reading is wrong. */
  readonly runOnMaxOfTarget: number;
  /** Highest reading taken, as a multiple of the tool's maximum: past it, digits were typed wrong or the tool is broken. */
  readonly readingMaxOfScale: number;
};
