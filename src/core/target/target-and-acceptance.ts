import { type WrittenTorque, writtenInNewtonMetres } from '../quantity/torque.ts';
import { type NewtonMetres, newtonMetres } from '../quantity/unit.ts';
import { accepted, type Result, refused } from '../result.ts';
import type { Requirement } from '../spec/requirement/requirement.ts';
import type { DerivationRule, DerivationStep, SchoolChoice } from './derivation.ts';
import type { Schools } from './schools.ts';

/** The torque wanted at the fastener and the interval it is accepted in, with how they came about. Limits are inclusive. */
export type Target = {
  readonly target: NewtonMetres;
  readonly low: NewtonMetres;
  readonly high: NewtonMetres;
  readonly steps: readonly DerivationStep[];
};

export type TargetRefusal =
  | { readonly code: 'tool-needed' }
  | { readonly code: 'angle-not-recordable'; readonly angleDegrees: number }
  | { readonly code: 'made-for-harder-material' }
  /** Tightened by the fingers alone: there is no torque to aim at. */
  | { readonly code: 'finger-tight' }
  /** Made snug and turned by an angle: there is no torque to aim at. */
  | { readonly code: 'snug-then-angle'; readonly angleDegrees: number };

/** Whether there is no target because none is asked for: by hand, as the source says. */
export const asksNoTorque = ({ code }: { readonly code: string }): boolean =>
  code === 'finger-tight' || code === 'snug-then-angle';

/** Target of a maximum alone, as a share of it. Source: common practice, no published source. */
export const SHARE_OF_MAXIMUM = 0.8;
/** Low limit of a maximum alone, as a share of it, assumed. Source: common practice, no published source. */
export const LOW_SHARE_OF_MAXIMUM = 0.7;
/** How far the assumed low limit stays under a target that a site sets below 80 %, as a share of the maximum. */
const LOW_BELOW_SITE_SHARE = 0.1;
/** Target of a minimum alone, as a multiple of it. Source: common practice, no published source. */
export const TARGET_ABOVE_MINIMUM = 1.05;
/** High limit of a minimum alone, as a multiple of it, assumed. Source: common practice, no published source. */
export const HIGH_ABOVE_MINIMUM = 1.25;

type StepOptions = {
  readonly ratio?: number;
  readonly school?: SchoolChoice;
  readonly assumed?: boolean;
};

/** A line of a derivation; without options it carries no ratio, no school, and nothing assumed. */
export const derivationStep = (
  rule: DerivationRule,
  gives: DerivationStep['gives'],
  result: number,
  from: readonly NewtonMetres[],
  { ratio, school, assumed = false }: StepOptions = {},
): DerivationStep => ({
  rule,
  gives,
  from,
  ratio: ratio ?? null,
  result: newtonMetres(result),
  school: school ?? null,
  assumed,
});

const rangeSteps = (a: NewtonMetres, b: NewtonMetres, schools: Schools): readonly DerivationStep[] => {
  const rules = {
    middle: ['middle-of-range', (a + b) / 2],
    'low-end': ['low-end-of-range', a],
    'high-end': ['high-end-of-range', b],
  } as const;
  const [rule, target] = rules[schools.rangeTarget];
  const school = { question: 'rangeTarget', choice: schools.rangeTarget } as const;
  return [
    derivationStep('printed-limit', 'low', a, [a]),
    derivationStep('printed-limit', 'high', b, [b]),
    derivationStep(rule, 'target', target, [a, b], { school }),
  ];
};

const maximumSteps = (max: NewtonMetres, schools: Schools): readonly DerivationStep[] => {
  const shares = {
    'eighty-percent': SHARE_OF_MAXIMUM,
    'printed-value': 1,
    'site-share': schools.maximumSharePercent / 100,
  };
  const share = shares[schools.maximumOnly];
  const lowShare = Math.min(LOW_SHARE_OF_MAXIMUM, share - LOW_BELOW_SITE_SHARE);
  const school = { question: 'maximumOnly', choice: schools.maximumOnly } as const;
  return [
    derivationStep('printed-limit', 'high', max, [max]),
    derivationStep('share-of-maximum', 'target', share * max, [max], { ratio: share, school }),
    derivationStep('low-limit-below-maximum', 'low', lowShare * max, [max], {
      ratio: lowShare,
      assumed: true,
    }),
  ];
};

const minimumSteps = (min: NewtonMetres): readonly DerivationStep[] => [
  derivationStep('printed-limit', 'low', min, [min]),
  derivationStep('above-minimum', 'target', TARGET_ABOVE_MINIMUM * min, [min], {
    ratio: TARGET_ABOVE_MINIMUM,
    assumed: true,
  }),
  derivationStep('high-limit-above-minimum', 'high', HIGH_ABOVE_MINIMUM * min, [min], {
    ratio: HIGH_ABOVE_MINIMUM,
    assumed: true,
  }),
];

const aroundSteps = (
  nominal: WrittenTorque,
  rule: DerivationRule,
  minus: number,
  plus: number,
  options: StepOptions,
): readonly DerivationStep[] => {
  const value = writtenInNewtonMetres(nominal);
  return [
    derivationStep('printed-value', 'target', value, [value]),
    derivationStep(rule, 'low', value - minus, [value], options),
    derivationStep(rule, 'high', value + plus, [value], options),
  ];
};

const toleranceSteps = (
  nominal: WrittenTorque,
  rule: DerivationRule,
  percent: number,
  options: StepOptions,
): readonly DerivationStep[] => {
  const half = writtenInNewtonMetres(nominal) * (percent / 100);
  return aroundSteps(nominal, rule, half, half, { ...options, ratio: percent / 100 });
};

const nominalSteps = (
  nominal: WrittenTorque,
  schools: Schools,
  toolLimitPercent: number | null,
): Result<readonly DerivationStep[], TargetRefusal> => {
  const school = { question: 'nominalTolerance', choice: schools.nominalTolerance } as const;
  const options = { school, assumed: true };
  if (schools.nominalTolerance === 'site-tolerance')
    return accepted(toleranceSteps(nominal, 'site-tolerance', schools.siteTolerancePercent, options));
  if (toolLimitPercent === null) return refused({ code: 'tool-needed' });
  return accepted(toleranceSteps(nominal, 'tool-class-tolerance', toolLimitPercent, options));
};

const derivationSteps = (
  requirement: Requirement,
  schools: Schools,
  toolLimitPercent: number | null,
): Result<readonly DerivationStep[], TargetRefusal> => {
  switch (requirement.kind) {
    case 'range':
      return accepted(
        rangeSteps(writtenInNewtonMetres(requirement.low), writtenInNewtonMetres(requirement.high), schools),
      );
    case 'maximum':
      return accepted(maximumSteps(writtenInNewtonMetres(requirement.maximum), schools));
    case 'minimum':
      return accepted(minimumSteps(writtenInNewtonMetres(requirement.minimum)));
    case 'nominal':
      return nominalSteps(requirement.nominal, schools, toolLimitPercent);
    case 'nominal-percent':
      return accepted(
        toleranceSteps(requirement.nominal, 'printed-tolerance', requirement.tolerancePercent, {}),
      );
    case 'nominal-absolute':
      return accepted(
        aroundSteps(
          requirement.nominal,
          'printed-tolerance',
          writtenInNewtonMetres(requirement.minus),
          writtenInNewtonMetres(requirement.plus),
          {},
        ),
      );
    case 'nominal-maximum': {
      const around = nominalSteps(requirement.nominal, schools, toolLimitPercent);
      const max = writtenInNewtonMetres(requirement.maximum);
      return around.ok
        ? accepted([
            ...around.value.filter(({ gives }) => gives !== 'high'),
            derivationStep('printed-limit', 'high', max, [max]),
          ])
        : around;
    }
    case 'finger-tight':
      return refused({ code: 'finger-tight' });
    case 'torque-then-angle':
    case 'snug-then-angle':
      return refused({ code: 'angle-not-recordable', angleDegrees: requirement.angleDegrees });
  }
};

/** The lower half of a target's range, aimed at by the school of ranges.
 *  Source: common practice for a stud or an insert that there is no other of, no published source. */
export const lowerHalf = ({ low, high, steps }: Target, { rangeTarget }: Schools): Target => {
  const middle = (low + high) / 2;
  const aims = { middle: (low + middle) / 2, 'low-end': low, 'high-end': middle };
  const school = { question: 'rangeTarget', choice: rangeTarget } as const;
  return targetOfSteps([
    ...steps,
    derivationStep('lower-half', 'high', middle, [low, high]),
    derivationStep('lower-half', 'target', aims[rangeTarget], [low, newtonMetres(middle)], { school }),
  ]);
};

/** The target that steps arrive at: the last step for each of target, low and high holds. */
export const targetOfSteps = (steps: readonly DerivationStep[]): Target => {
  const result = (gives: DerivationStep['gives']): NewtonMetres =>
    (steps.findLast((line) => line.gives === gives) as DerivationStep).result;
  return { target: result('target'), low: result('low'), high: result('high'), steps };
};

/** Turns a requirement into a target and an acceptance interval under the site's schools, in newton metres, with every step.
 *  `toolLimitPercent` is the permissible deviation of the tool's class, null while no tool is chosen.
 *  Source: common practice where a step says assumed; otherwise the printed requirement itself.
 *  Departures: a site share below 80 % of a maximum keeps the assumed low limit 10 % of the maximum under the target.
 *  Refuses: tool-needed (school tool-class without a tool), angle-not-recordable, finger-tight. */
export const targetAndAcceptance = (
  requirement: Requirement,
  schools: Schools,
  toolLimitPercent: number | null,
): Result<Target, TargetRefusal> => {
  const steps = derivationSteps(requirement, schools, toolLimitPercent);
  if (!steps.ok) return steps;
  return accepted(targetOfSteps(steps.value));
};
