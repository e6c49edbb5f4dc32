import { overlapSteps } from '../../target/joined-parts.ts';
import type { TargetRules } from '../../target/specified-target.ts';
import { derivationStep, targetOfSteps } from '../../target/target-and-acceptance.ts';

// As rules 1 and 2 join two parts. Frozen: what is joined anew stands in target/joined-parts.ts.

const GIVES = ['low', 'high', 'target'] as const;

const ofBothParts: TargetRules['joined'] = (a, b, schools) => {
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

/** Two parts by the lower target, or by what both accept; the angle is the first part's alone. */
export const JOINED_PARTS_1: TargetRules = {
  joined: ofBothParts,
  angleOf: ({ requirement }) => (requirement.kind === 'torque-then-angle' ? requirement.angleDegrees : null),
};
