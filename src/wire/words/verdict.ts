import type { ObjectionCode } from '#core/job/objection.ts';
import type { PullBody } from '#core/job/pull.ts';
import { displayTorque, type Resolution } from '#core/quantity/display.ts';
import { fromNewtonMetres, newtonMetres, type TorqueUnit, unitSymbol } from '#core/quantity/unit.ts';
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
  'remedy-left': () => 'something had gone wrong with it, and it was not put right',
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

const TWO_DIGITS = 10;

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
  const off = (from: number | null): string => {
    if (pull.torqueNewtonMetres === null || from === null) return '';
    const by = newtonMetres(Math.abs(pull.torqueNewtonMetres - from));
    // Two digits of a small difference are enough to know how far it is to go; a large one is whole.
    const sourceDigits = fromNewtonMetres(by, unit) >= TWO_DIGITS ? 2 : 1;
    return `${displayTorque(by, unit, { ...resolution, sourceDigits })} `;
  };
  // Corrected for what is known of the tool, the torque there is another than the reading beside it.
  const where = pull.knownErrorPercent === null ? '' : ' at the fastener';
  switch (pull.outcome) {
    case 'in':
      return { fact: `${read}${chance}.`, consequence: '' };
    case 'reached':
      return { fact: `${read}.`, consequence: '' };
    case 'low':
      return {
        fact: `${read}, ${off(pull.lowNewtonMetres)}below ${limit(pull.lowNewtonMetres)}${where}.`,
        consequence:
          'Next: pull it again from where it stands, slowly, until the tool gives. If it stays low, loosen it and look at the thread and under the head.',
      };
    case 'high':
      return {
        fact:
          pull.method === 'over-shot'
            ? 'went past the click; nobody knows by how much.'
            : `${read}, ${off(pull.highNewtonMetres)}above ${limit(pull.highNewtonMetres)}${where}.`,
        consequence:
          'Next: loosen it, look at the thread, replace the screw if its maker says so, then pull it again.',
      };
    case 'too-close':
      return {
        fact: `${read}, too close to a limit to call${chance}.`,
        consequence: 'Next: pull it again with a better tool, or leave it open with a reason under Sign.',
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
