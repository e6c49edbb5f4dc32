import { z } from 'zod';
import { instantSchema, typedText } from '#core/bounds.ts';
import { TEMPLATE_TITLE_MAX, templateSchema } from '#core/job/template.ts';
import { newJobSchema } from './new-job.ts';
import type { DeepReadonly } from './operation.ts';

const revisionSchema = z.int().nonnegative().max(100_000);

/** A template as lists show it. */
export const listedTemplateSchema = z.strictObject({
  id: z.uuid(),
  title: z.string(),
  revision: revisionSchema,
  changedAt: instantSchema,
  changedBy: z.string(),
  fasteners: z.int().nonnegative(),
  kinds: z.array(z.string()),
});
export type ListedTemplate = DeepReadonly<z.infer<typeof listedTemplateSchema>>;

/** A template as it is now, with when and by whom it was changed. */
export const keptTemplateSchema = listedTemplateSchema.extend({ template: templateSchema });
export type KeptTemplate = DeepReadonly<z.infer<typeof keptTemplateSchema>>;

/** The plan of a job to be kept as a template: a new one at revision 0, or the next revision of one that stands at the revision named. */
export const newTemplateSchema = z.strictObject({
  id: z.uuid(),
  title: typedText(TEMPLATE_TITLE_MAX),
  job: z.uuid(),
  basedOn: revisionSchema,
});
export type NewTemplate = z.infer<typeof newTemplateSchema>;

/** A job to be opened from a template. */
export const templateJobSchema = newJobSchema
  .pick({ jobId: true, eventId: true, deviceTime: true, title: true, asset: true })
  .extend({
    /** Whether it is worked on the very parts that the template names, so that their history goes on. */
    isSameParts: z.boolean(),
  });
export type TemplateJob = z.infer<typeof templateJobSchema>;
