import { writtenInNewtonMetres } from '../quantity/torque.ts';
import { fromNewtonMetres, type NewtonMetres, newtonMetres } from '../quantity/unit.ts';
import { accepted, type Result, refused } from '../result.ts';
import type { Requirement } from '../spec/requirement/requirement.ts';
import type { Specification } from '../spec/requirement/specification.ts';
import type { DerivationRule, DerivationStep, SchoolChoice } from './derivation.ts';
import type { Schools } from './schools.ts';
import {
  derivationStep,
  type Target,
  type TargetRefusal,
  targetAndAcceptance,
  targetOfSteps,
} from './target-and-acceptance.ts';

/** A target, and the angle to turn after it where the source asks for one. */
export type SpecifiedTarget = Target & { readonly thenAngleDegrees: number | null };

const GIVES = ['low', 'high', 'target'] as const;

/** Further steps that give each of low, high and target anew from what it was. */
const shifted = (
  before: Target,
  rule: DerivationRule,
  to: (torque: NewtonMetres) => number,
  from: (torque: NewtonMetres) => readonly NewtonMetres[],
  options: { readonly ratio?: number; readonly assumed?: boolean } = {},
): Target =>
  targetOfSteps([
    ...before.steps,
    ...GIVES.map((gives) => derivationStep(rule, gives, to(before[gives]), from(before[gives]), options)),
  ]);

const torqueStage = (requirement: Requirement): Requirement =>
  requirement.kind === 'torque-then-angle' ? { kind: 'nominal', nominal: requirement.torque } : requirement;

/** The least torque a requirement was made to give, as a maximum for the softer part, in the printed unit. */
const asSofterMaximum = (requirement: Requirement, target: Target): Requirement => {
  if (requirement.kind === 'range') return { kind: 'maximum', maximum: requirement.low };
  if (requirement.kind === 'minimum') return { kind: 'maximum', maximum: requirement.minimum };
  const printed = 'nominal' in requirement ? requirement.nominal : null;
  const unit = printed?.unit ?? 'N.m';
  const value = fromNewtonMetres(target.low, unit);
  return { kind: 'maximum', maximum: { text: String(Number(value.toPrecision(6))), value, unit } };
};

const softened = (
  requirement: Requirement,
  schools: Schools,
  toolLimitPercent: number | null,
): Result<Target, TargetRefusal> => {
  const made = targetAndAcceptance(requirement, schools, toolLimitPercent);
  if (!made.ok) return made;
  if (schools.harderMaterial === 'refuse') return refused({ code: 'made-for-harder-material' });
  const soft = targetAndAcceptance(asSofterMaximum(requirement, made.value), schools, toolLimitPercent);
  if (!soft.ok) return soft;
  const school = { question: 'harderMaterial', choice: schools.harderMaterial } as const;
  const { high } = soft.value;
  const first = derivationStep('harder-minimum-as-maximum', 'high', high, [high], { school, assumed: true });
  return accepted(targetOfSteps([first, ...soft.value.steps.filter(({ rule }) => rule !== 'printed-limit')]));
};

const ofOnePart = (
  requirement: Requirement,
  isForHarderMaterial: boolean,
  schools: Schools,
  toolLimitPercent: number | null,
): Result<Target, TargetRefusal> => {
  const stage = torqueStage(requirement);
  return isForHarderMaterial
    ? softened(stage, schools, toolLimitPercent)
    : targetAndAcceptance(stage, schools, toolLimitPercent);
};

const overlapSteps = (
  a: Target,
  b: Target,
  schools: Schools,
  school: SchoolChoice,
): readonly DerivationStep[] => {
  const [low, high] = [Math.max(a.low, b.low), Math.min(a.high, b.high)];
  const within = { middle: (low + high) / 2, 'low-end': low, 'high-end': high }[schools.rangeTarget];
  const limits = [newtonMetres(low), newtonMetres(high)];
  const range = { question: 'rangeTarget', choice: schools.rangeTarget } as const;
  return [
    derivationStep('overlap-of-parts', 'low', low, [a.low, b.low], { school }),
    derivationStep('overlap-of-parts', 'high', high, [a.high, b.high], { school }),
    derivationStep('overlap-of-parts', 'target', within, limits, { school: range }),
  ];
};

const ofBothParts = (a: Target, b: Target, schools: Schools): Target => {
  const school = { question: 'twoParts', choice: schools.twoParts } as const;
  const doOverlap = Math.max(a.low, b.low) < Math.min(a.high, b.high);
  if (schools.twoParts === 'overlap-else-lower' && doOverlap)
    return targetOfSteps([...a.steps, ...b.steps, ...overlapSteps(a, b, schools, school)]);
  const lower = a.target <= b.target ? a : b;
  return targetOfSteps([
    ...lower.steps,
    ...GIVES.map((gives) =>
      derivationStep('lower-part-governs', gives, lower[gives], [a[gives], b[gives]], { school }),
    ),
  ]);
};

/** Target and acceptance of a requirement with all that changes its torque, in newton metres, with every step. Run-on torque is added last.
 *  Source: run-on torque FAA AC 43.13-1B par. 7-40; two parts and softer material common practice, no published source.
 *  Departures: for torque then angle it gives the torque stage, and the angle beside it.
 *  Refuses: tool-needed, made-for-harder-material (by the school that refuses), angle-not-recordable (an angle without a torque). */
export const specifiedTarget = (
  { requirement, otherPart, runOn, isForHarderMaterial }: Specification,
  schools: Schools,
  toolLimitPercent: number | null,
): Result<SpecifiedTarget, TargetRefusal> => {
  const one = ofOnePart(requirement, isForHarderMaterial, schools, toolLimitPercent);
  if (!one.ok) return one;
  const other = otherPart ? ofOnePart(otherPart, false, schools, toolLimitPercent) : null;
  if (other && !other.ok) return other;
  const joint = other ? ofBothParts(one.value, other.value, schools) : one.value;
  const drag = runOn ? writtenInNewtonMetres(runOn) : null;
  const whole =
    drag === null
      ? joint
      : shifted(
          joint,
          'run-on-added',
          (torque) => torque + drag,
          (torque) => [torque, drag],
        );
  const thenAngleDegrees = requirement.kind === 'torque-then-angle' ? requirement.angleDegrees : null;
  return accepted({ ...whole, thenAngleDegrees });
};

/** A target for another lubrication than the source's: T2 = T1·K2/K1, each K a nut factor. Offered as derived, never silently applied.
 *  Source: T = K·d·F at the same preload. */
export const relubricatedTarget = (target: Target, fromNutFactor: number, toNutFactor: number): Target => {
  const ratio = toNutFactor / fromNutFactor;
  return shifted(
    target,
    'lubrication-ratio',
    (torque) => torque * ratio,
    (torque) => [torque],
    { ratio, assumed: true },
  );
};
