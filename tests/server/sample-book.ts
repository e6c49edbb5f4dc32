import { v7 as uuidv7 } from 'uuid';
import { valueOrThrow } from '#core/fault.ts';
import type { BookRequirement } from '#core/spec/book/book-requirement.ts';
import { NO_CONDITIONS } from '#core/spec/requirement/conditions.ts';
import { readRequirement } from '#core/spec/requirement/read-requirement.ts';
import type { RequirementDraft } from '#wire/book.ts';

/** A requirement with nothing beside its torque. */
export const plainBookRequirement = (part: string, printed: string): BookRequirement => ({
  part,
  size: '',
  torque: { printed, readAs: null, requirement: valueOrThrow(readRequirement(printed, 'N.m')).requirement },
  otherPart: null,
  conditions: NO_CONDITIONS,
  isPartSofter: false,
  place: 'page 1',
  note: '',
});

/** A first revision of such a requirement, as a person sends it. */
export const requirementDraft = (
  sourceId: string,
  part: string,
  printed: string,
  more: Partial<RequirementDraft> = {},
): RequirementDraft => ({
  id: uuidv7(),
  basedOn: null,
  sourceId,
  isWithdrawn: false,
  why: '',
  body: plainBookRequirement(part, printed),
  ...more,
});
