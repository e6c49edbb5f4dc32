import type { BookRequirement } from '#core/book/book-requirement.ts';
import { valueOrThrow } from '#core/fault.ts';
import { NO_CONDITIONS } from '#core/requirement/conditions.ts';
import { readRequirement } from '#core/requirement/read-requirement.ts';

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
