import { z } from 'zod';
import { typedText } from '../bounds.ts';
import { ORDERS } from '../order/orders.ts';
import { writtenTorqueSchema } from '../quantity/torque.ts';
import type { Shape } from '../shape.ts';
import { DRIVES } from '../tool/drive.ts';
import { idSchema, jointStepSchema } from './joint-step.ts';

/** How much of the target a pass wants: a share of it, or a torque of its own. */
const amountSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('share'), share: z.number().positive().max(1) }),
  z.strictObject({ kind: z.literal('torque'), torque: writtenTorqueSchema }),
]);

export const passSchema = z.strictObject({ name: typedText(40), amount: amountSchema });
/** One round over the fasteners of a group. The last one is judged by acceptance, those before by having been reached. */
export type Pass = Shape<typeof passSchema>;

const sourceSchema = z.string().trim().max(160);

/** A way to bring a kind of joint to its torque, such as one pass, or three and then rounds. */
export const passTemplateSchema = z.strictObject({
  id: idSchema,
  name: typedText(60),
  passes: z.array(passSchema).min(1).max(12),
  /** Whether rounds at full torque follow the last pass until nothing moves in one. */
  roundsUntilStill: z.boolean(),
  /** Document, edition and clause; empty for common practice. */
  source: sourceSchema,
});
export type PassTemplate = Shape<typeof passTemplateSchema>;

const identificationSchema = z.strictObject({
  /** What has to be known before a value is looked up, such as the alloy of a tube. */
  what: typedText(60),
  /** How it is told, the surest way first. */
  ways: z.array(typedText(160)).min(1).max(6),
  /** What to assume where it can't be told. */
  otherwise: typedText(160),
  source: sourceSchema,
});
/** How the thing that a value hangs on is told, before it is looked up. */
export type Identification = Shape<typeof identificationSchema>;

const troubleSchema = z.strictObject({
  sign: typedText(100),
  remedy: typedText(300),
  source: sourceSchema,
});
/** Something that goes wrong with a kind of joint, by what is seen of it, and what to do. */
export type Trouble = Shape<typeof troubleSchema>;

/** What is drawn around the fasteners of a group: rails of a cabinet, a ring they stand on, or nothing. */
export const OUTLINES = ['rails', 'ring', 'none'] as const;

const wordsSchema = z.strictObject({
  /** What one of its fasteners is called, and several. */
  fastener: typedText(40),
  fasteners: typedText(40),
  /** What its part is called; empty where it has none with a history. */
  part: z.string().trim().max(40),
  /** From where its drawing is seen, unless the plan says otherwise. */
  seenFrom: typedText(60),
  /** What counts as having moved in a round at full torque; empty where there are no such rounds. */
  moved: z.string().trim().max(120),
  /** Reasons that people often give for leaving one open, to choose instead of typing. */
  leaveReasons: z.array(typedText(60)).max(6),
});

/** What a fastener of this kind has beside what every fastener has, such as the shank in a collet. */
const detailSchema = z.strictObject({ id: idSchema, name: typedText(40), missing: typedText(60) });

export const jointKindSchema = z
  .strictObject({
    code: idSchema,
    /** Counts up whenever anything of it changes: it stands in every plan that was made by it. */
    revision: z.int().positive().max(10_000),
    name: typedText(80),
    words: wordsSchema,
    details: z.array(detailSchema).max(6),
    outline: z.enum(OUTLINES),
    /** What the bit or socket usually engages, where a list does not say. */
    usualDrive: z.enum(DRIVES),
    order: z.enum(ORDERS),
    passes: z.array(passSchema).min(1).max(12),
    /** Whether rounds at full torque follow the last pass until nothing moves in one. */
    roundsUntilStill: z.boolean(),
    /** Where its order and passes come from; empty for common practice, left out in a kind of a form that did not say. */
    passesSource: sourceSchema.optional(),
    /** Other ways to bring it to its torque. */
    otherPasses: z.array(passTemplateSchema).max(6).optional(),
    identify: z.array(identificationSchema).max(6).optional(),
    troubles: z.array(troubleSchema).max(16).optional(),
    /** What to say where a part of it can't be replaced; left out where it goes without saying. */
    onlyOne: typedText(240).optional(),
    steps: z.array(jointStepSchema).max(60),
  })
  .refine(
    ({ steps }) => new Set(steps.map(({ id }) => id)).size === steps.length,
    'two steps have the same id',
  )
  .meta({ id: 'JointKind' });
/** A kind of joint as data: its words, what its fasteners have, their order, the passes, the cautions and every other step. */
export type JointKind = Shape<typeof jointKindSchema>;

/** One pass at the whole target. */
export const ONE_PASS: readonly Pass[] = [{ name: 'full torque', amount: { kind: 'share', share: 1 } }];

/** A caution to be confirmed once for the job before its first pull. Common practice; local codes and the maker's instructions override it. */
export const caution = (id: string, title: string, detail: string): JointKind['steps'][number] => ({
  id,
  stage: 'make-safe',
  scope: 'job',
  act: { kind: 'confirm' },
  title,
  detail,
  isBlocking: true,
  source: '',
});
