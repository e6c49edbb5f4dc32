import { z } from 'zod';

/** What stood against a pull when it was recorded. The pull happened all the same, so it is in the record, and this beside it. */
export const OBJECTIONS = [
  'job-signed',
  'cautions-incomplete',
  'loosen-first',
  'run-on-missing',
  'no-target',
  'tool-not-chosen',
  'tool-blocked',
  'outside-usable-band',
  'setting-differs',
  'mix-up-question',
  'pulled-meanwhile',
  'pass-out-of-order',
  'step-missing',
  'remedy-left',
] as const;
export type ObjectionCode = (typeof OBJECTIONS)[number];

/** `about` says what or who it is about, in a word or two; empty where the code says it all. */
export type Objection = { readonly code: ObjectionCode; readonly about: string };

export const objectionSchema = z.strictObject({
  code: z.enum(OBJECTIONS),
  about: z.string().max(120),
}) satisfies z.ZodType<Objection>;

const LEAVE_VERDICT: ReadonlySet<ObjectionCode> = new Set([
  'job-signed',
  'cautions-incomplete',
  'setting-differs',
  'pulled-meanwhile',
  'pass-out-of-order',
  'step-missing',
  'remedy-left',
]);

/** Whether a pull with this against it says nothing about conformity: it gets no verdict, and its fastener stays open. */
export const isWithoutVerdict = (objections: readonly Objection[]): boolean =>
  objections.some(({ code }) => !LEAVE_VERDICT.has(code));
