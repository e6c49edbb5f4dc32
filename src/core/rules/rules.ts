import type { likelyMixUps } from '../quantity/mix-up.ts';
import type { TorqueUnit } from '../quantity/unit.ts';
import type { Result } from '../result.ts';
import type { ReadRequirement } from '../spec/requirement/read-requirement.ts';
import type { RequirementRefusal } from '../spec/requirement/requirement-refusal.ts';
import type { Specification } from '../spec/requirement/specification.ts';
import type { Schools } from '../target/schools.ts';
import type { SpecifiedTarget } from '../target/specified-target.ts';
import type { TargetRefusal } from '../target/target-and-acceptance.ts';
import type { JudgingRules } from '../tool/choose-tool.ts';
import type { toolSetting } from '../tool/tool-setting.ts';
import type { passVerdict } from '../verdict/pass-verdict.ts';
import type { VerdictRule } from '../verdict/tightening-verdict.ts';

/** Everything that can change a judgement, under one number. A judgement names the number it was made by; what a frozen number
 *  answers never changes, whatever becomes of the code. A number is this table of functions: only what differs stands twice. */
export type Rules = JudgingRules & {
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
  readonly verdict: VerdictRule;
  /** Whether a fastener pulled by feel must be loosened before a pull counts, or shown by its first movement to be inside. */
  readonly byFeelStaysOpen: boolean;
  /** Whether only a lead leaves a step that something waits for. */
  readonly leadLeavesSteps: boolean;
  /** Whether what is measured to make safe has to be measured, and is not ticked off as a caution. */
  readonly makeSafeIsMeasured: boolean;
  /** Whether a wait before the pulls counts from when it was begun, and not before. */
  readonly waitsAreBegun: boolean;
  /** Whether an angle after the torque is turned and recorded; else a requirement with one is no job's. */
  readonly anglesAreTurned: boolean;
  /** Whether what went wrong with a fastener is led through before it is pulled again. */
  readonly remediesAreLed: boolean;
  /** The verdict on a pull of a pass before the last. */
  readonly passVerdict: typeof passVerdict;
  readonly likelyMixUps: typeof likelyMixUps;
  /** Highest run-on torque taken, as a multiple of the target without it: above it the nut or the reading is wrong. */
  readonly runOnMaxOfTarget: number;
  /** Highest reading taken, as a multiple of the tool's maximum: past it, digits were typed wrong or the tool is broken. */
  readonly readingMaxOfScale: number;
};
