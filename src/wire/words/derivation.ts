import { displayTorque } from '#core/quantity/display.ts';
import type { TorqueUnit } from '#core/quantity/unit.ts';
import type { DerivationStep, SchoolChoice } from '#core/target/derivation.ts';

const SCHOOL_WORDS: Record<string, string> = {
  'rangeTarget:middle': 'middle of the range',
  'rangeTarget:low-end': 'low end of the range',
  'rangeTarget:high-end': 'high end of the range',
  'maximumOnly:eighty-percent': '80 % of a maximum',
  'maximumOnly:printed-value': 'the printed maximum itself',
  'maximumOnly:site-share': 'the site’s share of a maximum',
  'nominalTolerance:site-tolerance': 'site tolerance around a single value',
  'nominalTolerance:tool-class': 'the tool class’s permissible deviation',
  'twoParts:lower-governs': 'the lower of two parts governs',
  'twoParts:overlap-else-lower': 'overlap of both parts, else the lower',
  'harderMaterial:refuse': 'no value from a harder material',
  'harderMaterial:minimum-as-maximum': 'a harder material’s minimum as the maximum',
  'windingDown:lowest-graduation': 'lowest graduation, never below',
  'windingDown:zero': 'wound down to zero',
  'offsetAdapter:right-angle': 'at 90° to the tool, setting unchanged',
  'offsetAdapter:any-angle': 'any angle, setting corrected',
  'finishedCheck:first-movement': 'first movement with a peak-reading tool',
  'finishedCheck:second-click': 'a second click at the same setting',
  'finishedCheck:loosen-and-retighten': 'loosen, mark and re-tighten',
  'inspectorSample:every-fastener': 'every fastener',
  'inspectorSample:computed-sample': 'a computed sample',
  'inspectorSample:one-per-panel': 'one per panel',
  'toolService:recalibrate': 'recalibrate by time or count, whichever is first',
  'toolService:replace-yearly': 'replace every year',
  'betweenGraduations:nearest-inside': 'nearest graduation inside acceptance',
  'betweenGraduations:the-one-below': 'the graduation below',
  'knownError:judgement-corrected': 'the judgement is corrected, the setting stays as printed',
  'knownError:setting-corrected': 'the setting is corrected too',
  'knownError:added-to-uncertainty': 'uncorrected, its size added to the uncertainty',
  'sureEnough:eighty-percent': '80 %',
  'sureEnough:ninety-five-percent': '95 %',
  'sureEnough:site-share': 'a share the site sets',
  'byFeelCheck:moved-or-loosened': 'first movement read inside, or loosened and pulled again',
  'byFeelCheck:loosened': 'loosened and pulled again only',
  'decisionRule:simple': 'simple acceptance',
  'decisionRule:guarded': 'guarded acceptance',
};

/** The name of a school. */
export const schoolWords = ({ question, choice }: Pick<SchoolChoice, 'question' | 'choice'>): string =>
  SCHOOL_WORDS[`${question}:${choice}`] ?? `${question} ${choice}`;

/** What each rule of a derivation does. */
export const RULE_WORDS: Record<DerivationStep['rule'], string> = {
  'printed-limit': 'as printed',
  'middle-of-range': 'middle of the printed range',
  'low-end-of-range': 'low end of the printed range',
  'high-end-of-range': 'high end of the printed range',
  'share-of-maximum': 'a share of the printed maximum',
  'low-limit-below-maximum': 'a share of the printed maximum',
  'above-minimum': 'a little above the printed minimum',
  'high-limit-above-minimum': 'a multiple of the printed minimum',
  'printed-value': 'as printed',
  'printed-tolerance': 'the printed tolerance',
  'site-tolerance': 'the site’s tolerance around the printed value',
  'tool-class-tolerance': 'the tool class’s deviation around the printed value',
  'harder-minimum-as-maximum': 'the harder material’s minimum, taken as the maximum',
  'lower-part-governs': 'the lower of the joint’s two parts',
  'other-part-not-met': 'the other part asks for more and does not get it',
  'overlap-of-parts': 'where both parts’ ranges overlap',
  'run-on-added': 'with the measured run-on torque added,',
  'lower-half': 'the lower half of the range, for what there is no other of,',
  'lubrication-ratio': 'for the other lubrication, by the ratio of nut factors',
};

const percent = (ratio: number): string => `${Number((ratio * 100).toFixed(1))} %`;

/** One line of "why": what it gives, from what, by which rule and school, and whether it is assumed. */
export const derivationWords = (
  step: DerivationStep,
  unit: TorqueUnit,
  sourceDigits: number,
): { readonly gives: string; readonly line: string; readonly note: string } => {
  const show = (torque: DerivationStep['result']): string =>
    displayTorque(torque, unit, { sourceDigits, graduation: null });
  const gives = { target: 'Target', low: 'Low limit', high: 'High limit' }[step.gives];
  const isPlain = step.rule === 'printed-limit' || step.rule === 'printed-value';
  const from = isPlain ? '' : ` from ${step.from.map(show).join(' and ')}`;
  const ratio = step.ratio === null ? '' : `, ${percent(step.ratio)}`;
  const school = step.school ? `School: ${schoolWords(step.school)}.` : '';
  const assumed = step.assumed ? 'Assumed, the source does not say.' : '';
  return {
    gives,
    line: `${show(step.result)}: ${RULE_WORDS[step.rule]}${ratio}${from}`,
    note: [school, assumed].filter(Boolean).join(' '),
  };
};
