import { z } from 'zod';
import { positionSchema } from '#core/bounds.ts';
import { ORDERS } from '#core/order/orders.ts';
import { NUT_FACTORS, SURFACES } from '#core/preload/nut-factor.ts';
import { INVENTED } from '#core/simulate/interaction.ts';
import { canSimulate, SIMULATED_MOST, simulationSettingsSchema } from '#core/simulate/simulation.ts';
import { LIST_MAX_ROWS } from '#core/spec/list/list-bounds.ts';
import { propertyClassSchema } from '#core/spec/screw/property-class.ts';
import { quantitySchema } from './quantity.ts';

// Calculations on a joint: its order, its simulation, a screw's preload. Apart from the others, for a bench loads none of it.

const COORDINATE_MAX_MM = 100_000;
const millimetres = z.number().min(-COORDINATE_MAX_MM).max(COORDINATE_MAX_MM);

const spotSchema = z.strictObject({ position: positionSchema, xMm: millimetres, yMm: millimetres });
const spots = (most: number) =>
  z
    .array(spotSchema)
    .min(1)
    .max(most)
    .refine(
      (all) => new Set(all.map(({ position }) => position)).size === all.length,
      'a position stands twice',
    );

export const orderRequest = z.strictObject({ places: spots(LIST_MAX_ROWS), order: z.enum(ORDERS) });
export const orderResponse = z.strictObject({
  positions: z.array(positionSchema),
  /** How far the clamping force strays from the middle, in this order and in the best one found, in millimetres. */
  largestEccentricityMm: z.number(),
  bestEccentricityMm: z.number(),
  isBestProved: z.boolean(),
});

/** Friction of a surface as common practice has it, where the nut factor is not measured. */
export const preloadRequest = z.strictObject({
  thread: z.string().trim().min(1).max(40),
  torque: quantitySchema,
  surface: z.enum(SURFACES).default('dry-steel'),
  propertyClass: propertyClassSchema.nullable().default(null),
  toolScatter: z.number().min(0).max(0.2).default(0.03),
});
const shareSchema = z.number();
export const preloadResponse = z.strictObject({
  designation: z.string(),
  stressAreaMm2: z.number(),
  nutFactors: z.tuple([z.number(), z.number()]),
  forceNewtons: z.strictObject({ low: z.number(), middle: z.number(), high: z.number() }),
  torqueShares: z.strictObject({ tension: shareSchema, thread: shareSchema, head: shareSchema }),
  shareOfProof: z.strictObject({ atLowFriction: shareSchema, atHighFriction: shareSchema }).nullable(),
});
export const nutFactorsOf = (surface: (typeof SURFACES)[number]): [number, number] => [
  ...NUT_FACTORS[surface],
];

const SHARES_MOST = 16;
const bandSchema = z.strictObject({ low: z.number(), middle: z.number(), high: z.number() });
const { interaction, scatter, within, seed } = simulationSettingsSchema.shape;
/** Most runs that are made for anybody who asks; the application makes more in the browser. */
const RUNS_MOST = 10_000;
/** Fasteners by fasteners, passes and runs of one request, multiplied: what its thread does in about ten seconds. */
const SIMULATED_STEPS_MOST = 1_000_000_000;

/** Places in the order they are pulled. */
export const simulateRequest = z
  .strictObject({
    places: spots(SIMULATED_MOST),
    shares: z.array(z.number().positive().max(1)).min(1).max(SHARES_MOST),
    interaction: interaction.default(INVENTED['rubber-lined']),
    scatter: scatter.default({ friction: 0.13, tool: 0.03 }),
    within: within.default(0.05),
    runs: z.int().min(1).max(RUNS_MOST).default(1000),
    seed: seed.default(1),
  })
  .refine(canSimulate, 'fewer than two places')
  .refine(
    ({ places, shares, runs }) => places.length ** 2 * shares.length * runs <= SIMULATED_STEPS_MOST,
    'too many places, passes and runs together: ask for fewer runs',
  );
export const simulateResponse = z.strictObject({
  /** After each pass, without scatter: largest less smallest force, and the smallest, as shares of the wanted one. */
  spreads: z.array(z.number()),
  smallest: z.array(z.number()),
  /** Passes that bring all within what is wanted, rounds at full torque counted; null where rounds don't. */
  needed: z.number().nullable(),
  /** Shares to pull each to so that one pass leaves all alike; null where one would need more than twice the force. */
  singlePass: z.array(z.number()).nullable(),
  /** The force of each at the end, one in twenty below and above. */
  forces: z.array(bandSchema),
  shareWithin: z.number(),
});
