import { z } from 'zod';
import { typedText } from '#core/bounds.ts';
import { torqueUnitSchema } from '#core/quantity/unit.ts';
import { schoolsSchema } from '#core/target/schools.ts';
import { timeZoneSchema } from './site-time.ts';

/** What a site has chosen for itself. */
export const siteSchema = z.strictObject({
  name: typedText(120),
  unit: torqueUnitSchema,
  /** The zone of its clock: "today" is the day there. */
  timeZone: timeZoneSchema.default('UTC'),
  schools: schoolsSchema,
});
export type Site = z.infer<typeof siteSchema>;
