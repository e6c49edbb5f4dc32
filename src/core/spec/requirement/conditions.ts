import { z } from 'zod';
import type { WrittenTorque } from '../../quantity/torque.ts';
import { writtenTorqueSchema } from '../../quantity/torque.ts';
import { type PropertyClass, propertyClassSchema } from '../screw/property-class.ts';

export const LUBRICATIONS = ['not-stated', 'dry', 'oiled', 'compound'] as const;
export const THREAD_DIRECTIONS = ['right', 'left'] as const;

/** Torque that a self-locking thread takes before the head seats. */
export type RunOn =
  | { readonly kind: 'none' }
  /** To be measured on the last turns before seating and added. */
  | { readonly kind: 'to-be-measured' }
  | { readonly kind: 'measured'; readonly torque: WrittenTorque };

/** What must hold beside the torque. */
export type SecondCondition =
  | { readonly kind: 'runout'; readonly limitMillimetres: number }
  | { readonly kind: 'temperature'; readonly limitCelsius: number }
  | { readonly kind: 'no-leak' };

/** Which kinds of tool the source allows, by the codes of tool kinds. */
export type AllowedTools =
  | { readonly kind: 'any' }
  | { readonly kind: 'only'; readonly tools: readonly string[] }
  | { readonly kind: 'never'; readonly tools: readonly string[] };

/** What a requirement carries beside its torque: what it holds for, and what else is demanded. */
export type Conditions = {
  readonly runOn: RunOn;
  readonly lubrication: (typeof LUBRICATIONS)[number];
  /** The compound's name where the lubrication is one. */
  readonly compound: string;
  readonly thread: (typeof THREAD_DIRECTIONS)[number];
  readonly isSingleUse: boolean;
  readonly second: readonly SecondCondition[];
  readonly tools: AllowedTools;
  /** What material the value was made for, as printed; empty where the source does not say. */
  readonly madeForMaterial: string;
  /** The strength class that the screw must have; left out where the source asks for none. */
  readonly propertyClass?: PropertyClass | undefined;
};

/** Nothing beside the torque. */
export const NO_CONDITIONS: Conditions = {
  runOn: { kind: 'none' },
  lubrication: 'not-stated',
  compound: '',
  thread: 'right',
  isSingleUse: false,
  second: [],
  tools: { kind: 'any' },
  madeForMaterial: '',
};

export const conditionsSchema = z
  .strictObject({
    runOn: z.discriminatedUnion('kind', [
      z.strictObject({ kind: z.literal('none') }),
      z.strictObject({ kind: z.literal('to-be-measured') }),
      z.strictObject({ kind: z.literal('measured'), torque: writtenTorqueSchema }),
    ]),
    lubrication: z.enum(LUBRICATIONS),
    compound: z.string().trim().max(80),
    thread: z.enum(THREAD_DIRECTIONS),
    isSingleUse: z.boolean(),
    second: z
      .array(
        z.discriminatedUnion('kind', [
          z.strictObject({ kind: z.literal('runout'), limitMillimetres: z.number().positive().max(10) }),
          z.strictObject({ kind: z.literal('temperature'), limitCelsius: z.number().min(-100).max(1000) }),
          z.strictObject({ kind: z.literal('no-leak') }),
        ]),
      )
      .max(3),
    tools: z.discriminatedUnion('kind', [
      z.strictObject({ kind: z.literal('any') }),
      z.strictObject({ kind: z.literal('only'), tools: z.array(z.string().max(40)).min(1).max(12) }),
      z.strictObject({ kind: z.literal('never'), tools: z.array(z.string().max(40)).min(1).max(12) }),
    ]),
    madeForMaterial: z.string().trim().max(80),
    propertyClass: propertyClassSchema.optional(),
  })
  .meta({ id: 'Conditions' }) satisfies z.ZodType<Conditions>;
