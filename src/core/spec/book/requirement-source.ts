import { z } from 'zod';
import { typedText } from '../../bounds.ts';

/** Where the requirements were found: the document, its revision, and the place in it. */
export type RequirementSource = {
  readonly title: string;
  readonly revision: string;
  readonly place: string;
};

/** A place within a document. */
export const placeSchema = z.string().trim().max(120);

/** Where a value was found: the document, its revision, and the place in it. */
export const requirementSourceSchema = z.strictObject({
  title: typedText(120),
  revision: z.string().trim().max(40),
  place: placeSchema,
});
