import type { AdapterRefusal } from '../adapter/adapter.ts';
import type { RightRefusal } from '../people/may.ts';
import type { ToolSettingRefusal } from '../setting/tool-setting.ts';
import type { TargetRefusal } from '../target/target-and-acceptance.ts';
import type { ToolBlock } from '../tool/tool-standing.ts';
import type { LikelyMixUp } from '../torque/mix-up.ts';
import type { NumberRefusal } from '../torque/read-number.ts';
import type { TorqueUnit } from '../torque/unit.ts';

/** Why an event cannot happen to a job. */
export type JobRefusal =
  | NumberRefusal
  | TargetRefusal
  | ToolSettingRefusal
  | { readonly code: 'job-not-planned' }
  | { readonly code: 'job-already-planned' }
  | { readonly code: 'position-repeated'; readonly position: string }
  | { readonly code: 'unknown-position'; readonly position: string }
  | { readonly code: 'tool-not-chosen' }
  | { readonly code: 'another-tool-chosen' }
  | { readonly code: 'cautions-incomplete' }
  | { readonly code: 'setting-not-made'; readonly wanted: string; readonly unit: TorqueUnit }
  | AdapterRefusal
  | { readonly code: 'tool-blocked'; readonly toolCode: string; readonly blocks: readonly ToolBlock[] }
  | {
      readonly code: 'outside-usable-band';
      readonly lowNewtonMetres: number;
      readonly highNewtonMetres: number;
    }
  | { readonly code: 'no-click' }
  | { readonly code: 'reading-out-of-bounds' }
  | { readonly code: 'loosen-first'; readonly position: string }
  | { readonly code: 'run-on-missing'; readonly position: string }
  | { readonly code: 'run-on-too-high'; readonly position: string }
  | { readonly code: 'nothing-to-loosen'; readonly position: string }
  | {
      readonly code: 'mix-up-question';
      readonly reading: string;
      readonly target: string;
      readonly unit: TorqueUnit;
      readonly likely: readonly LikelyMixUp[];
    }
  | { readonly code: 'claim-untrue'; readonly field: string }
  | { readonly code: 'requirement-misread'; readonly position: string }
  | { readonly code: 'book-reference-unknown'; readonly requirementCode: string }
  | { readonly code: 'tool-changed'; readonly toolCode: string }
  | { readonly code: 'rules-unknown'; readonly number: number }
  | { readonly code: 'rules-already'; readonly number: number }
  | { readonly code: 'not-pulled-yet'; readonly position: string }
  | { readonly code: 'unknown-pull' }
  | { readonly code: 'pull-already-voided' }
  | { readonly code: 'why-missing' }
  | { readonly code: 'not-in-acceptance'; readonly position: string }
  | { readonly code: 'already-in'; readonly position: string }
  | { readonly code: 'open-items-remain'; readonly count: number }
  | { readonly code: 'job-signed' }
  | { readonly code: 'signed-already'; readonly meaning: 'done' | 'inspected' }
  | { readonly code: 'not-signed-done' }
  | { readonly code: 'second-person-needed' }
  | { readonly code: 'head-moved'; readonly signed: number; readonly now: number }
  | { readonly code: 'no-pull-by-signer' }
  | RightRefusal;
