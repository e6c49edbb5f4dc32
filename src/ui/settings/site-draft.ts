import { z } from 'zod';
import { readNumber } from '#core/quantity/read-number.ts';
import type { Schools } from '#core/target/schools.ts';
import { type Site, siteSchema } from '#wire/site.ts';
import { SCHOOL_QUESTIONS } from '#wire/words/schools.ts';
import { fieldWords } from '../kit/form/field-words.ts';

/** What the site has chosen as the form holds it: every answer as text. */
export type SiteDraft = {
  name: string;
  unit: string;
  timeZone: string;
  pinDigits: string;
  idleMinutes: string;
  schools: Record<string, string>;
  why: string;
};

const AMOUNTS: ReadonlySet<string> = new Set(SCHOOL_QUESTIONS.flatMap(({ amount }) => amount?.id ?? []));

/** The draft of what stands. */
export const siteDraft = ({ name, unit, timeZone, pinDigits, idleMinutes, schools }: Site): SiteDraft => ({
  name,
  unit,
  timeZone,
  pinDigits: String(pinDigits),
  idleMinutes: String(idleMinutes),
  schools: Object.fromEntries(
    Object.entries(schools).flatMap(([id, choice]) => (choice === undefined ? [] : [[id, String(choice)]])),
  ),
  why: '',
});

const numbered = (schools: SiteDraft['schools']): Readonly<Record<string, unknown>> =>
  Object.fromEntries(
    Object.entries(schools).map(([id, text]) => {
      const number = AMOUNTS.has(id) ? readNumber(text) : null;
      return [id, number === null ? text : number.ok ? number.value.value : Number.NaN];
    }),
  );

/** The schools of a draft; null while one can't be read. */
export const schoolsOfDraft = (schools: SiteDraft['schools']): Schools | null => {
  const read = siteSchema.shape.schools.safeParse(numbered(schools));
  return read.success ? read.data : null;
};

const askedSchema = z.object({ site: siteSchema, why: z.string().trim().max(300) });

/** A draft turned into what the site has chosen, with the reason for it. */
export const siteDraftSchema: z.ZodType<z.output<typeof askedSchema>, SiteDraft> = z
  .custom<SiteDraft>()
  .transform(({ why, schools, pinDigits, idleMinutes, ...site }, context) => {
    const doors = { pinDigits: Number(pinDigits), idleMinutes: Number(idleMinutes) };
    const asked = askedSchema.safeParse(
      { site: { ...site, ...doors, schools: numbered(schools) }, why },
      { error: fieldWords },
    );
    for (const { path, message } of asked.error?.issues ?? [])
      context.addIssue({ code: 'custom', path: path[0] === 'site' ? path.slice(1) : path, message });
    return asked.data ?? z.NEVER;
  });
