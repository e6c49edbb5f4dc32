import type { ObjectionCode } from '#core/job/objection.ts';
import type { PullBody } from '#core/job/pull.ts';
import { displayTorque, type Resolution } from '#core/quantity/display.ts';
import { newtonMetres, type TorqueUnit, unitSymbol } from '#core/quantity/unit.ts';
import type { ToolBlock } from '#core/tool/tool-blocks.ts';
import type { FastenerStatus } from '#core/view/bench.ts';
import { TOOL_OUT_WORDS } from './tool.ts';

/** The name of a fastener's status. */
export const STATUS_WORDS: Record<FastenerStatus, string> = {
  open: 'open',
  voided: 'voided',
  in: 'in',
  low: 'low',
  high: 'above',
  'too-close': 'too close to call',
  'by-feel': 'by feel, unverified',
  'no-verdict': 'no verdict',
  reached: 'pass reached',
  'finger-tight': 'finger tight',
};

const OBJECTION_WORDS: Record<ObjectionCode, (about: string) => string> = {
  'job-signed': (about) => `${about || 'somebody'} had signed the job already`,
  'cautions-incomplete': () => 'the cautions were not confirmed',
  'loosen-first': () => 'it had gone past its limit or been pulled by feel, and was not loosened',
  'run-on-missing': () => 'its run-on torque was not measured',
  'no-target': () => 'its requirement gives no target',
  'tool-not-chosen': () => 'its tool was never taken on this job',
  'tool-blocked': (about) =>
    `its tool should not have been used (${about
      .split(', ')
      .map((block) => TOOL_OUT_WORDS[block as ToolBlock] ?? block)
      .join(', ')})`,
  'outside-usable-band': (about) => `${about} is kept for a narrower band`,
  'setting-differs': (about) => `the tool was last said to be set to ${about}`,
  'mix-up-question': (about) => `${about} looks like another unit, and nobody was asked`,
  'pulled-meanwhile': (about) => `${about} had pulled it meanwhile`,
  'pass-out-of-order': (about) => `it was due for pass ${about}`,
  'step-missing': (about) => `“${about}” had not been done`,
};

/** What stood against a pull when it was recorded. */
export const objectionWords = (objections: PullBody['objections']): string =>
  (objections ?? []).map(({ code, about }) => OBJECTION_WORDS[code](about)).join('; ') || 'nothing was said';

/** A probability in percent, to a tenth, and never rounded up to certainty. */
export const probabilityWords = (probability: number): string => {
  if (probability >= 0.9995) return 'over 99.9 %';
  if (probability < 0.0005) return 'under 0.1 %';
  return `${(probability * 100).toFixed(1)} %`;
};

/** A verdict on a pull: the fact, and what follows from it. Limits are shown in the unit given. */
export const verdictWords = (
  pull: PullBody,
  unit: TorqueUnit,
  resolution: Resolution,
): { readonly fact: string; readonly consequence: string } => {
  const limit = (torque: number | null): string =>
    torque === null ? 'a limit' : displayTorque(newtonMetres(torque), unit, resolution);
  const read = pull.reading ? `${pull.reading.text} ${unitSymbol(pull.reading.unit)}` : '';
  const chance =
    pull.probability === null ? '' : `, ${probabilityWords(pull.probability)} by the tool’s uncertainty`;
  switch (pull.outcome) {
    case 'in':
      return { fact: `${read}${chance}.`, consequence: '' };
    case 'reached':
      return { fact: `${read}.`, consequence: '' };
    case 'low':
      return {
        fact: `${read}, below ${limit(pull.lowNewtonMetres)}.`,
        consequence:
          'Pull again up to the setting; look for a crossed thread or a strand under the screw if it stays low.',
      };
    case 'high':
      return {
        fact:
          pull.method === 'over-shot'
            ? 'Went past the click.'
            : `${read}, above ${limit(pull.highNewtonMetres)}.`,
        consequence: 'Loosen, inspect the thread, replace the screw if its maker says so, pull again.',
      };
    case 'too-close':
      return {
        fact: `${read}, too close to a limit to call${chance}.`,
        consequence: 'Pull again with a better tool, or leave it open with a reason.',
      };
    case 'by-feel':
      return {
        fact: 'By feel, no torque tool.',
        consequence:
          'It stays open until its first movement is read inside, or it is loosened and pulled again.',
      };
    case 'no-verdict':
      return {
        fact: `${read ? `${read}, recorded` : 'Recorded'} without a verdict: ${objectionWords(pull.objections)}.`,
        consequence: 'It stays open: settle what stands against it, loosen, pull again.',
      };
  }
};
