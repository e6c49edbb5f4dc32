import { valueOrThrow } from '#core/fault.ts';
import { displayTorque } from '#core/quantity/display.ts';
import { type NewtonMetres, newtonMetres, type TorqueUnit } from '#core/quantity/unit.ts';
import { NEWEST_RULES } from '#core/rules/rules-by-number.ts';
import { readRequirement } from '#core/spec/requirement/read-requirement.ts';
import type { Requirement } from '#core/spec/requirement/requirement.ts';
import { plainSpecification, type Specification } from '#core/spec/requirement/specification.ts';
import { type Schools, sureShare } from '#core/target/schools.ts';
import { toolSetting } from '#core/tool/tool-setting.ts';
import { tighteningVerdict } from '#core/verdict/tightening-verdict.ts';
import { problemWords } from '#wire/problems/en.ts';
import type { ChoiceQuestion } from '#wire/words/schools.ts';
import { probabilityWords, STATUS_WORDS } from '#wire/words/verdict.ts';

const printed = (text: string): Requirement => valueOrThrow(readRequirement(text, 'N.m')).requirement;

const EXAMPLES: Partial<
  Record<ChoiceQuestion, { readonly text: string; readonly specification: Specification }>
> = {
  rangeTarget: { text: '3 to 4 N·m', specification: plainSpecification(printed('3 to 4 Nm')) },
  maximumOnly: { text: 'max 9 N·m', specification: plainSpecification(printed('max 9 Nm')) },
  nominalTolerance: { text: '20 lbf·in', specification: plainSpecification(printed('20 lbf·in')) },
  twoParts: {
    text: 'stem 5 to 6 N·m, bar 4 to 5.6 N·m',
    specification: { ...plainSpecification(printed('5 to 6 Nm')), otherPart: printed('4 to 5.6 Nm') },
  },
  harderMaterial: {
    text: '90 to 104 lbf·in, made for a harder tube',
    specification: { ...plainSpecification(printed('90 to 104 lbf·in')), isForHarderMaterial: true },
  },
};

const SAMPLE_LIMIT_PERCENT = 6;
const RESOLUTION = { sourceDigits: 2, graduation: null };
const SCALE = {
  form: 'barrel',
  unit: 'N.m',
  minimum: 1,
  maximum: 5,
  perTurn: 0.5,
  graduation: 0.1,
  mainStart: 1,
  raisedBy: 'clockwise',
} as const;
const show = (torque: NewtonMetres, unit: TorqueUnit): string => displayTorque(torque, unit, RESOLUTION);

const settingExample = (schools: Schools): string => {
  const wanted = { target: newtonMetres(2.27), low: newtonMetres(2), high: newtonMetres(2.5) };
  const setting = toolSetting(wanted, SCALE, schools.betweenGraduations, SCALE.minimum);
  return `Target 2.27 N·m on a scale of 0.1: set to ${setting.ok ? setting.value.text : '–'} N·m.`;
};

const decisionExample = (schools: Schools): string => {
  const judged = {
    kind: 'reading',
    reading: newtonMetres(3.3),
    standardUncertainty: newtonMetres(0.08),
  } as const;
  const { outcome } = tighteningVerdict(judged, { low: newtonMetres(2.8), high: newtonMetres(3.4) }, schools);
  return `3.3 N·m read, 2.8 to 3.4 accepted, uncertainty 0.16 (k = 2): ${STATUS_WORDS[outcome]}.`;
};

// A tool that shows 4 % more than it applies, asked for 5 N·m.
const OFF_TOOL = {
  calibration: {
    sessionId: '',
    usable: null,
    points: [{ torqueNewtonMetres: 5, errorPercent: 4, deviationPercent: 0.5, expandedPercent: 0.6 }],
  },
};

const knownErrorExample = (schools: Schools): string => {
  const wanted = newtonMetres(5);
  const shown = NEWEST_RULES.shownFor(wanted, OFF_TOOL, schools);
  const { torque } = NEWEST_RULES.applied(shown, OFF_TOOL, schools);
  return `5 N·m with a tool that shows 4 % too much: set to ${show(shown, 'N.m')}, judged as ${show(torque, 'N.m')}.`;
};

const sureExample = (schools: Schools): string => {
  const judged = {
    kind: 'reading',
    reading: newtonMetres(3.3),
    standardUncertainty: newtonMetres(0.08),
  } as const;
  const limits = { low: newtonMetres(2.8), high: newtonMetres(3.4) };
  const { outcome, probability } = NEWEST_RULES.verdict(judged, limits, schools, sureShare(schools));
  return `3.3 N·m read, 2.8 to 3.4 accepted, ${probabilityWords(probability ?? 0)} sure: ${STATUS_WORDS[outcome]}.`;
};

/** What a question's answer does, worked out now on an example; null for a question that no torque shows. */
export const schoolExample = (question: ChoiceQuestion, schools: Schools): string | null => {
  if (question === 'betweenGraduations') return settingExample(schools);
  if (question === 'decisionRule') return decisionExample(schools);
  if (question === 'knownError') return knownErrorExample(schools);
  if (question === 'sureEnough') return sureExample(schools);
  const example = EXAMPLES[question];
  if (!example) return null;
  const result = NEWEST_RULES.target(example.specification, schools, SAMPLE_LIMIT_PERCENT);
  if (!result.ok) return `${example.text}: ${problemWords(result.refusal).cause}`;
  const unit =
    'low' in example.specification.requirement
      ? example.specification.requirement.low.unit
      : question === 'nominalTolerance'
        ? 'lbf.in'
        : 'N.m';
  const { target, low, high } = result.value;
  return `${example.text}: target ${show(target, unit)}, accepted ${show(low, unit)} to ${show(high, unit)}.`;
};
