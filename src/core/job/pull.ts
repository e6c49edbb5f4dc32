import { z } from 'zod';
import { positionSchema } from '../bounds.ts';
import { type PullDevice, pullDeviceSchema } from '../device/curve-facts.ts';
import { type WrittenTorque, writtenTorqueSchema } from '../quantity/torque.ts';
import { OUTCOMES, type Outcome } from '../verdict/tightening-verdict.ts';
import { OBJECTIONS, type Objection, objectionSchema } from './objection.ts';
import { rulesNumberSchema } from './plan.ts';

export const PULL_METHODS = ['click', 'reading', 'over-shot', 'by-feel'] as const;
export type PullMethod = (typeof PULL_METHODS)[number];

/** What a person says of a pull: what was done with what, before it is judged. */
export type PullSaid = {
  readonly position: string;
  readonly pass: number;
  readonly method: PullMethod;
  /** Null for a pull by feel. */
  readonly toolId: string | null;
  readonly setting: WrittenTorque | null;
  readonly reading: WrittenTorque | null;
  /** Whether the person was asked about a likely mix-up of units and said that the reading stands. */
  readonly readingStands: boolean;
  /** How many pulls the device knew of at this fastener; null where it did not say. */
  readonly seenPulls: number | null;
  /** Whether the fastener moved before the tool gave, in a round at full torque; null in a pass, and where nobody said. */
  readonly moved: boolean | null;
  /** The device that read it; left out where a person did. */
  readonly device?: PullDevice | undefined;
};

/** How a pull was judged, and under which rules. Torques in newton metres at the fastener, rounded to 1e-6. */
export type Judgement = {
  readonly rules: number;
  /** Null where the rules have no target for the fastener. */
  readonly targetNewtonMetres: number | null;
  readonly lowNewtonMetres: number | null;
  readonly highNewtonMetres: number | null;
  /** The tool's known error that the reading was corrected for, in percent; null where none was. */
  readonly knownErrorPercent: number | null;
  /** What reached the fastener, through the adapters; null for a pull without a reading. */
  readonly torqueNewtonMetres: number | null;
  readonly standardUncertaintyNewtonMetres: number | null;
  readonly outcome: Outcome;
  /** Rounded to four decimals; null where there is no reading to judge. */
  readonly probability: number | null;
};

/** One application of torque to one fastener, with the verdict that stands, and what was shown where that was another. */
export type PullBody = PullSaid &
  Judgement & {
    /** What the device showed the person, where it differs from what stands; null where it does not. */
    readonly shown: Judgement | null;
    /** What stood against it when it was recorded; null in records of a form that did not say. */
    readonly objections: readonly Objection[] | null;
  };

const torqueSchema = z.number().nonnegative().max(1e6);

export const pullSaidSchema = z.strictObject({
  position: positionSchema,
  pass: z.int().min(1).max(100),
  method: z.enum(PULL_METHODS),
  toolId: z.uuid().nullable(),
  setting: writtenTorqueSchema.nullable(),
  reading: writtenTorqueSchema.nullable(),
  readingStands: z.boolean(),
  seenPulls: z.int().nonnegative().max(10_000).nullable(),
  moved: z.boolean().nullable(),
  device: pullDeviceSchema.optional(),
}) satisfies z.ZodType<PullSaid>;

export const judgementSchema = z.strictObject({
  rules: rulesNumberSchema,
  targetNewtonMetres: torqueSchema.nullable(),
  lowNewtonMetres: torqueSchema.nullable(),
  highNewtonMetres: torqueSchema.nullable(),
  knownErrorPercent: z.number().gt(-100).max(1000).nullable(),
  torqueNewtonMetres: torqueSchema.nullable(),
  standardUncertaintyNewtonMetres: torqueSchema.nullable(),
  outcome: z.enum(OUTCOMES),
  probability: z.number().min(0).max(1).nullable(),
}) satisfies z.ZodType<Judgement>;

export const pullBodySchema = z.strictObject({
  ...pullSaidSchema.shape,
  ...judgementSchema.shape,
  shown: judgementSchema.nullable(),
  objections: z.array(objectionSchema).max(OBJECTIONS.length).nullable(),
}) satisfies z.ZodType<PullBody>;

/** The part of a pull's body that judges it. */
export const judgementOf = (body: Judgement): Judgement => ({
  rules: body.rules,
  targetNewtonMetres: body.targetNewtonMetres,
  lowNewtonMetres: body.lowNewtonMetres,
  highNewtonMetres: body.highNewtonMetres,
  knownErrorPercent: body.knownErrorPercent,
  torqueNewtonMetres: body.torqueNewtonMetres,
  standardUncertaintyNewtonMetres: body.standardUncertaintyNewtonMetres,
  outcome: body.outcome,
  probability: body.probability,
});

/** The part of a pull's body that a person says. */
export const pullSaid = (body: PullSaid): PullSaid => ({
  ...(body.device ? { device: body.device } : {}),
  position: body.position,
  pass: body.pass,
  method: body.method,
  toolId: body.toolId,
  setting: body.setting,
  reading: body.reading,
  readingStands: body.readingStands,
  seenPulls: body.seenPulls,
  moved: body.moved,
});

const inOrder = (written: WrittenTorque | null): WrittenTorque | null =>
  written && { text: written.text, unit: written.unit, value: written.value };

/** A pull's body from what was said, how it was judged, and what follows from the two. Written out, with its keys in canonical order: spread, so
 *  many fields take a hundred times as long, and a batch is thousands of these. */
export const pullBody = (
  said: PullSaid,
  judged: Judgement,
  { shown, objections }: Pick<PullBody, 'shown' | 'objections'>,
): PullBody => {
  const { device } = said;
  const body = {
    highNewtonMetres: judged.highNewtonMetres,
    knownErrorPercent: judged.knownErrorPercent,
    lowNewtonMetres: judged.lowNewtonMetres,
    method: said.method,
    moved: said.moved,
    objections,
    outcome: judged.outcome,
    pass: said.pass,
    position: said.position,
    probability: judged.probability,
    reading: inOrder(said.reading),
    readingStands: said.readingStands,
    rules: judged.rules,
    seenPulls: said.seenPulls,
    setting: inOrder(said.setting),
    shown,
    standardUncertaintyNewtonMetres: judged.standardUncertaintyNewtonMetres,
    targetNewtonMetres: judged.targetNewtonMetres,
    toolId: said.toolId,
    torqueNewtonMetres: judged.torqueNewtonMetres,
  };
  return device ? { device, ...body } : body;
};
