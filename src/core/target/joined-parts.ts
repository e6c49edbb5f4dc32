import { newtonMetres } from '../quantity/unit.ts';
import { wholeAngle } from '../spec/requirement/requirement.ts';
import type { DerivationStep, SchoolChoice } from './derivation.ts';
import type { Schools } from './schools.ts';
import { specifiedTargetBy, type TargetRules } from './specified-target.ts';
import { derivationStep, type Target, targetOfSteps } from './target-and-acceptance.ts';

/** The steps that give what both parts accept, with the target in it by the school of ranges. */
export const overlapSteps = (
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

/** The lower part's target and low limit, never above what the other part bears; what the other asks for at least and does not get is said. */
const lowerSteps = (a: Target, b: Target, school: SchoolChoice): readonly DerivationStep[] => {
  const [lower, higher] = a.target <= b.target ? [a, b] : [b, a];
  const high = Math.min(a.high, b.high);
  const unmet =
    higher.low > lower.target
      ? [derivationStep('other-part-not-met', 'low', lower.low, [higher.low, lower.target], { school })]
      : [];
  return [
    derivationStep('lower-part-governs', 'low', lower.low, [a.low, b.low], { school }),
    derivationStep('lower-part-governs', 'high', high, [a.high, b.high], { school }),
    derivationStep('lower-part-governs', 'target', lower.target, [a.target, b.target], { school }),
    ...unmet,
  ];
};

const joined: TargetRules['joined'] = (a, b, schools) => {
  const school = { question: 'twoParts', choice: schools.twoParts } as const;
  const doOverlap = Math.max(a.low, b.low) < Math.min(a.high, b.high);
  const isOverlap = schools.twoParts === 'overlap-else-lower' && doOverlap;
  return targetOfSteps([
    ...a.steps,
    ...b.steps,
    ...(isOverlap ? overlapSteps(a, b, schools, school) : lowerSteps(a, b, school)),
  ]);
};

/** The larger of the angles that either part asks for, each with all its steps; null where neither asks for one. */
const angleOf: TargetRules['angleOf'] = ({ requirement, otherPart }) => {
  const angles = [requirement, otherPart].flatMap((part) => (part ? [wholeAngle(part)] : []));
  const largest = Math.max(...angles);
  return largest > 0 ? largest : null;
};

/** Target and acceptance of a specification. Of two parts the lower governs and the tighter maximum holds, or both ranges where they overlap
 *  and the school says so; an angle of either is kept. Source and refusals: as specifiedTargetBy. Two parts: common practice. */
export const specifiedTarget = specifiedTargetBy({ joined, angleOf });
