import { z } from 'zod';
import { typedText } from '#core/bounds.ts';
import { torqueUnitSchema } from '#core/quantity/unit.ts';
import { schoolsSchema } from '#core/target/schools.ts';
import { timeZoneSchema } from './site-time.ts';

/** How many digits a new PIN has at least, as a site is shipped, and the fewest that a site may choose. */
export const PIN_DIGITS = 6;
export const PIN_DIGITS_MAX = 12;
/** After how many minutes without anybody's doing a session ends, as a site is shipped. */
export const IDLE_MINUTES = 120;

/** What a site has chosen for itself. */
export const siteSchema = z.strictObject({
  name: typedText(120),
  unit: torqueUnitSchema,
  /** The zone of its clock: "today" is the day there. */
  timeZone: timeZoneSchema.default('UTC'),
  schools: schoolsSchema,
  pinDigits: z.int().min(PIN_DIGITS).max(PIN_DIGITS_MAX).default(PIN_DIGITS),
  idleMinutes: z
    .int()
    .min(5)
    .max(14 * 60)
    .default(IDLE_MINUTES),
});
export type Site = z.infer<typeof siteSchema>;
