import { z } from 'zod';
import { torqueUnitSchema, typedText } from './quantity.ts';
import { schoolsSchema } from './schools.ts';

/** What a site has chosen for itself. */
export const siteSchema = z.strictObject({
  name: typedText(120),
  unit: torqueUnitSchema,
  schools: schoolsSchema,
});
export type Site = z.infer<typeof siteSchema>;
