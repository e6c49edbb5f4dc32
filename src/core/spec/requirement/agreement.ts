import { z } from 'zod';
import { type WrittenTorque, writtenInNewtonMetres, writtenTorqueSchema } from '../../quantity/torque.ts';
import { toNewtonMetres } from '../../quantity/unit.ts';
import type { Shape } from '../../shape.ts';
import { printedTorques, type Requirement } from './requirement.ts';

export const disagreementSchema = z.strictObject({
  first: writtenTorqueSchema,
  other: writtenTorqueSchema,
  /** In percent of the first; null where the statements are of different kinds (a range beside a single value). */
  differencePercent: z.number().nullable(),
});
/** Two printed values of one requirement that differ by more than rounding. */
export type Disagreement = Shape<typeof disagreementSchema>;

const halfLastDigit = (torque: WrittenTorque): number => {
  const decimals = torque.text.split('.')[1]?.length ?? 0;
  return toNewtonMetres(10 ** -decimals / 2, torque.unit);
};

/** Whether two written torques can be one value rounded to their own last digits (bounds inclusive). */
export const agreeWithinRounding = (a: WrittenTorque, b: WrittenTorque): boolean =>
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
