import { type WrittenTorque, writtenInNewtonMetres } from '../../../quantity/torque.ts';
import { type Disagreement, halfLastDigit } from '../../../spec/requirement/agreement.ts';
import { printedTorques, type Requirement } from '../../../spec/requirement/requirement.ts';

// As rules 1 and 2 compare two statements. Frozen.
/** Whether two written torques can be one value rounded to their own last digits (bounds inclusive). */
const agreeWithinRounding = (a: WrittenTorque, b: WrittenTorque): boolean =>
  Math.abs(writtenInNewtonMetres(a) - writtenInNewtonMetres(b)) <= halfLastDigit(a) + halfLastDigit(b);

const compared = (first: WrittenTorque, other: WrittenTorque): readonly Disagreement[] =>
  agreeWithinRounding(first, other)
    ? []
    : [
        {
          first,
          other,
          differencePercent: (writtenInNewtonMetres(other) / writtenInNewtonMetres(first) - 1) * 100,
        },
      ];

/** Where two statements of one requirement differ by more than rounding; empty when they agree. */
export const disagreements = (requirement: Requirement, other: Requirement): readonly Disagreement[] => {
  const firsts = printedTorques(requirement);
  const others = printedTorques(other);
  const tolerances = requirement.kind === 'nominal-absolute' && other.kind === 'nominal-absolute';
  if (requirement.kind !== other.kind)
    return [
      {
        first: firsts[0] as WrittenTorque,
        other: others[0] as WrittenTorque,
        differencePercent: null,
      },
    ];
  return [
    ...firsts.flatMap((first, index) => compared(first, others[index] as WrittenTorque)),
    ...(tolerances ? compared(requirement.plus, other.plus) : []),
  ];
};
