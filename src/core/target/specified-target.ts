import { writtenInNewtonMetres } from '../quantity/torque.ts';
import { fromNewtonMetres, type NewtonMetres } from '../quantity/unit.ts';
import { accepted, type Result, refused } from '../result.ts';
import type { Requirement } from '../spec/requirement/requirement.ts';
import type { Specification } from '../spec/requirement/specification.ts';
import type { DerivationRule } from './derivation.ts';
import type { Schools } from './schools.ts';
import {
  derivationStep,
  lowerHalf,
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

/** How the targets of two parts in one joint become one. */
export type JoinedParts = (a: Target, b: Target, schools: Schools) => Target;

/** What of the rules says how a specification becomes a target. */
export type TargetRules = {
  readonly joined: JoinedParts;
  /** The angle to turn after the torque, in degrees; null where neither part asks for one. */
  readonly angleOf: (specification: Pick<Specification, 'requirement' | 'otherPart'>) => number | null;
};

/** Target and acceptance of a requirement with all that changes its torque, in newton metres, with every step. Run-on torque is added
 *  before the range is halved for what there is no other of.
 *  Source: run-on torque FAA AC 43.13-1B par. 7-40; two parts and softer material common practice, no published source.
 *  Departures: for torque then angle it gives the torque stage, and the angle beside it.
 *  Refuses: tool-needed, made-for-harder-material (by the school that refuses), angle-not-recordable (an angle without a torque). */
export const specifiedTargetBy =
  ({ joined, angleOf }: TargetRules) =>
  (
    { requirement, otherPart, runOn, isForHarderMaterial, isLowerHalf = false }: Specification,
    schools: Schools,
    toolLimitPercent: number | null,
  ): Result<SpecifiedTarget, TargetRefusal> => {
    const one = ofOnePart(requirement, isForHarderMaterial, schools, toolLimitPercent);
    if (!one.ok) return one;
    const other = otherPart ? ofOnePart(otherPart, false, schools, toolLimitPercent) : null;
    if (other && !other.ok) return other;
    const joint = other ? joined(one.value, other.value, schools) : one.value;
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
    const taken = isLowerHalf ? lowerHalf(whole, schools) : whole;
    return accepted({ ...taken, thenAngleDegrees: angleOf({ requirement, otherPart }) });
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
