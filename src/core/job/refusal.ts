import type { RightRefusal } from '../people/may.ts';
import type { LikelyMixUp } from '../quantity/mix-up.ts';
import type { NumberRefusal } from '../quantity/read-number.ts';
import type { TorqueUnit } from '../quantity/unit.ts';
import type { RemedyAct } from '../remedy/trouble.ts';
import type { ClassRefusal } from '../spec/screw/property-class.ts';
import type { TargetRefusal } from '../target/target-and-acceptance.ts';
import type { AdapterRefusal } from '../tool/adapter.ts';
import type { ToolBlock } from '../tool/tool-blocks.ts';
import type { ToolSettingRefusal } from '../tool/tool-setting.ts';

/** Why an event cannot happen to a job. */
export type JobRefusal =
  | NumberRefusal
  | TargetRefusal
  | ToolSettingRefusal
  | ClassRefusal
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
  | {
      readonly code: 'run-on-too-low';
      readonly position: string;
      readonly thread: string;
      readonly leastLbfIn: number;
    }
  | {
      readonly code: 'run-on-off-scale';
      readonly toolCode: string;
      readonly minimum: number;
      readonly maximum: number;
      readonly unit: TorqueUnit;
    }
  | { readonly code: 'run-on-needs-showing'; readonly position: string }
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
  | {
      readonly code: 'plan-misshaped';
      readonly what:
        | 'group-unknown'
        | 'group-empty'
        | 'group-repeated'
        | 'group-scattered'
        | 'detail-unknown';
    }
  | { readonly code: 'joint-kind-unknown'; readonly jointKind: string }
  | { readonly code: 'group-unknown'; readonly group: string }
  | { readonly code: 'gap-accepted-already'; readonly group: string }
  | { readonly code: 'part-unknown'; readonly part: string }
  | { readonly code: 'part-repeated'; readonly part: string }
  | { readonly code: 'angle-not-asked'; readonly position: string }
  | { readonly code: 'angle-not-due'; readonly position: string }
  | { readonly code: 'device-other-job'; readonly device: string; readonly job: string }
  | {
      readonly code: 'device-not-awaited';
      readonly device: string;
      readonly text: string;
      readonly unit: TorqueUnit;
    }
  | { readonly code: 'device-other-tool'; readonly device: string; readonly toolCode: string }
  | {
      readonly code: 'device-other-unit';
      readonly device: string;
      readonly text: string;
      readonly unit: TorqueUnit;
      readonly wanted: TorqueUnit;
    }
  | { readonly code: 'reading-counted-already'; readonly device: string }
  | { readonly code: 'device-no-angle'; readonly device: string }
  | { readonly code: 'note-empty' }
  | { readonly code: 'remedy-first'; readonly position: string; readonly act: RemedyAct }
  | { readonly code: 'wait-not-begun'; readonly step: string }
  | { readonly code: 'instrument-differs'; readonly instrument: string }
  | { readonly code: 'step-unknown'; readonly step: string }
  | { readonly code: 'step-misdone'; readonly step: string }
  | { readonly code: 'step-first'; readonly title: string }
  | { readonly code: 'instrument-missing' }
  | { readonly code: 'wait-not-over'; readonly minutesLeft: number }
  | { readonly code: 'steps-remain'; readonly count: number; readonly first: string }
  | { readonly code: 'not-finger-tight'; readonly position: string }
  | RightRefusal;
