import { z } from 'zod';
import { instantSchema } from '#core/bounds.ts';
import { ledgerEventSchema, sentEventSchema } from '#core/event/event-forms.ts';
import { ATTACHMENT_MAX_BYTES, attachmentSchema, THUMBNAIL_MAX_LENGTH } from './attachment.ts';
import { jobSummarySchema } from './job-summary.ts';
import { NOTHING, type Operation, operation } from './operation.ts';
import { newSignatureSchema } from './signature.ts';

// Apart from the others: a bench loads these and none of the book's or the crib's.

/** What a device says of itself as it sends: its clock, and which browser it is. */
const contactShape = { sentAt: instantSchema.optional(), device: z.uuid().optional() };

/** Most events of one batch. */
export const EVENTS_MAX = 100;

export const JOB_OPERATIONS = {
  listJobs: operation({
    method: 'GET',
    path: '/api/v1/jobs',
    summary: 'Every job, the one worked on last first',
    who: 'see',
    tokens: ['export', 'import'],
    request: NOTHING,
    response: z.array(jobSummarySchema),
  }),
  jobEvents: operation({
    method: 'GET',
    path: '/api/v1/jobs/{job}/events',
    summary: 'Events of a job after a sequence (?after=)',
    who: 'see',
    tokens: ['export'],
    request: NOTHING,
    response: z.array(ledgerEventSchema),
  }),
  appendEvents: operation({
    method: 'POST',
    path: '/api/v1/jobs/{job}/events',
    summary: 'Append events; sending one again answers the same',
    who: 'work-on-job',
    also: ['override-tool', 'reopen-job', 'move-rules', 'check-fastener'],
    request: z.strictObject({
      events: z.array(sentEventSchema).min(1).max(EVENTS_MAX),
      ...contactShape,
    }),
    response: z.strictObject({
      placed: z.array(ledgerEventSchema),
      receivedAt: instantSchema,
      refused: z.strictObject({ eventId: z.uuid(), problem: z.looseObject({ code: z.string() }) }).nullable(),
    }),
  }),
  signJob: operation({
    method: 'POST',
    path: '/api/v1/jobs/{job}/signatures',
    summary: 'Sign a job with a PIN',
    who: 'sign-done',
    also: ['sign-inspected'],
    request: newSignatureSchema,
    response: ledgerEventSchema,
  }),
  addAttachment: operation({
    method: 'POST',
    path: '/api/v1/attachments/{kind}/{owner}',
    mostBytes: ATTACHMENT_MAX_BYTES * 1.4,
    summary: 'Attach a photograph or PDF (base64) with its small picture',
    who: 'attach-file',
    tokens: ['import'],
    request: z.strictObject({
      /** The id it is to have, so that sent twice it is there once; left out, the site gives one. */
      id: z.uuid().optional(),
      name: z.string().trim().min(1).max(120),
      contentBase64: z.base64().max(Math.ceil(ATTACHMENT_MAX_BYTES / 3) * 4),
      thumbnailBase64: z.base64().max(THUMBNAIL_MAX_LENGTH).nullable(),
    }),
    response: attachmentSchema,
  }),
} as const satisfies Record<string, Operation>;
