import { z } from 'zod';
import { positionSchema, typedText } from '../bounds.ts';
import { type WrittenTorque, writtenTorqueSchema } from '../quantity/torque.ts';
import { isIndicating, type Tool } from '../tool/tool.ts';

export const CHECK_METHODS = ['first-movement', 'second-click', 'loosen-and-retighten'] as const;
export const CHECK_PURPOSES = ['check', 'settling'] as const;

/** Whether a tool can do a check: one that only clicks shows no first movement, one that shows does not click, and one that shears off is
 *  gone. Common practice. */
export const canCheck = (method: (typeof CHECK_METHODS)[number], tool: Pick<Tool, 'kind'>): boolean =>
  // A fixture holds the part on the bench; it reaches no fastener that is in place.
  tool.kind !== 'measuring-fixture' &&
  (method === 'second-click' ? !isIndicating(tool) && tool.kind !== 'single-use-shear' : isIndicating(tool));

/** What a person says of a check of a finished fastener, or of a reading after it settled. */
export type CheckSaid = {
  readonly position: string;
  readonly purpose: (typeof CHECK_PURPOSES)[number];
  readonly method: (typeof CHECK_METHODS)[number];
  readonly toolId: string;
  /** What the tool showed, in its own unit. */
  readonly reading: WrittenTorque;
  readonly note: string;
};

/** A check as the record keeps it: with the tool as the crib knew it, and whether the reading lay inside acceptance. Torques in newton metres. */
export type CheckBody = CheckSaid & {
  readonly tool: { readonly code: string; readonly serial: string; readonly calibrationDueOn: string };
  readonly lowNewtonMetres: number;
  readonly highNewtonMetres: number;
  readonly isInside: boolean;
};

export const checkSaidSchema = z.strictObject({
  position: positionSchema,
  purpose: z.enum(CHECK_PURPOSES),
  method: z.enum(CHECK_METHODS),
  toolId: z.uuid(),
  reading: writtenTorqueSchema,
  note: z.string().trim().max(300),
}) satisfies z.ZodType<CheckSaid>;

export const checkBodySchema = z.strictObject({
  ...checkSaidSchema.shape,
  tool: z.strictObject({ code: typedText(20), serial: typedText(40), calibrationDueOn: z.iso.date() }),
  lowNewtonMetres: z.number().nonnegative().max(1e6),
  highNewtonMetres: z.number().nonnegative().max(1e6),
  isInside: z.boolean(),
}) satisfies z.ZodType<CheckBody>;
