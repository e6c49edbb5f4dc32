import { z } from 'zod';
import { type WrittenTorque, writtenInNewtonMetres, writtenTorqueSchema } from '../../quantity/torque.ts';
import { toNewtonMetres } from '../../quantity/unit.ts';
import type { Shape } from '../../shape.ts';
import { printedTorques, type Requirement, turnedDegrees } from './requirement.ts';

export const disagreementSchema = z.strictObject({
  /** Null where it is no torque that differs: an angle, or a requirement that prints none. */
  first: writtenTorqueSchema.nullable(),
  other: writtenTorqueSchema.nullable(),
  /** In percent of the first; null where the statements are of different kinds (a range beside a single value). */
  differencePercent: z.number().nullable(),
});
/** Two printed values of one requirement that differ by more than rounding. */
export type Disagreement = Shape<typeof disagreementSchema>;

/** Half of what the last printed digit stands for, in newton metres. */
export const halfLastDigit = (torque: WrittenTorque): number => {
  const decimals = torque.text.split('.')[1]?.length ?? 0;
  return toNewtonMetres(10 ** -decimals / 2, torque.unit);
};

// Intervals that only touch do not overlap, whatever the last bits of a conversion say: 1 N·m and 2 N·m are two values.
const HAIR = 1e-9;

/** Whether two written torques can be one value: the intervals that their last digits stand for overlap (bounds exclusive). */
export const agreeWithinRounding = (a: WrittenTorque, b: WrittenTorque): boolean =>
  Math.abs(writtenInNewtonMetres(a) - writtenInNewtonMetres(b)) <
  (halfLastDigit(a) + halfLastDigit(b)) * (1 - HAIR);

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

/** The torque that a requirement printed again without its bound or tolerance would give; null where it would give more than one. */
const mainTorque = (requirement: Requirement): WrittenTorque | null => {
  switch (requirement.kind) {
    case 'maximum':
      return requirement.maximum;
    case 'minimum':
      return requirement.minimum;
    case 'torque-then-angle':
      return requirement.torque;
    case 'nominal':
    case 'nominal-percent':
    case 'nominal-absolute':
      return requirement.nominal;
    default:
      return null;
  }
};

type Limits = { readonly torque: WrittenTorque; readonly low: number; readonly high: number };

/** What a tolerance comes to, in newton metres; null where a requirement prints none. */
const limitsOf = (requirement: Requirement): Limits | null => {
  if (requirement.kind === 'nominal-percent') {
    const { nominal, tolerancePercent, minusPercent = tolerancePercent } = requirement;
    const value = writtenInNewtonMetres(nominal);
    return {
      torque: nominal,
      low: value * (1 - minusPercent / 100),
      high: value * (1 + tolerancePercent / 100),
    };
  }
  if (requirement.kind !== 'nominal-absolute') return null;
  const { nominal, plus, minus } = requirement;
  const value = writtenInNewtonMetres(nominal);
  return {
    torque: nominal,
    low: value - writtenInNewtonMetres(minus),
    high: value + writtenInNewtonMetres(plus),
  };
};

/** Whether a printed range is what another statement's tolerance comes to. */
const isSpelledOut = (tolerance: Limits, range: Extract<Requirement, { readonly kind: 'range' }>): boolean =>
  ([range.low, range.high] as const).every((end, index) => {
    const limit = index === 0 ? tolerance.low : tolerance.high;
    return (
      Math.abs(writtenInNewtonMetres(end) - limit) <
      (halfLastDigit(end) + halfLastDigit(tolerance.torque)) * (1 - HAIR)
    );
  });

const ofKinds = (requirement: Requirement, other: Requirement): readonly Disagreement[] => {
  const [main, again] = [mainTorque(requirement), mainTorque(other)];
  if (other.kind === 'nominal' && main && again) return compared(main, again);
  const tolerance = limitsOf(requirement) ?? limitsOf(other);
  const range = [requirement, other].find((each) => each.kind === 'range');
  if (tolerance && range && isSpelledOut(tolerance, range)) return [];
  return [
    {
      first: printedTorques(requirement)[0] ?? null,
      other: printedTorques(other)[0] ?? null,
      differencePercent: null,
    },
  ];
};

const NO_TORQUE = { first: null, other: null, differencePercent: null } as const;

const tolerancesDiffer = (requirement: Requirement, other: Requirement): readonly Disagreement[] => {
  if (requirement.kind === 'nominal-absolute' && other.kind === 'nominal-absolute')
    return [...compared(requirement.plus, other.plus), ...compared(requirement.minus, other.minus)];
  if (requirement.kind !== 'nominal-percent' || other.kind !== 'nominal-percent') return [];
  const minus = requirement.minusPercent ?? requirement.tolerancePercent;
  const isAlike =
    requirement.tolerancePercent === other.tolerancePercent &&
    minus === (other.minusPercent ?? other.tolerancePercent);
  return isAlike ? [] : [NO_TORQUE];
};

const anglesDiffer = (requirement: Requirement, other: Requirement): boolean => {
  const [angles, others] = [turnedDegrees(requirement), turnedDegrees(other)];
  return angles.length !== others.length || angles.some((angle, index) => angle !== others[index]);
};

/** Where two statements of one requirement differ by more than rounding, each part by itself; empty when they agree. The second may leave out
 *  what the first says beside its torque: `max 7 Nm (62 in-lb)`. */
export const disagreements = (requirement: Requirement, other: Requirement): readonly Disagreement[] => {
  if (requirement.kind !== other.kind) return ofKinds(requirement, other);
  const others = printedTorques(other);
  const torques = printedTorques(requirement).flatMap((first, index) =>
    compared(first, others[index] as WrittenTorque),
  );
  return [
    ...torques,
    ...tolerancesDiffer(requirement, other),
    ...(anglesDiffer(requirement, other) ? [NO_TORQUE] : []),
  ];
};

/** Where what two sources demand differs: neither may leave anything out that the other says. */
export const sourcesDiffer = (requirement: Requirement, other: Requirement): boolean =>
  disagreements(requirement, other).length > 0 || disagreements(other, requirement).length > 0;
