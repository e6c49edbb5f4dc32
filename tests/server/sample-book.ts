import { valueOrThrow } from '#core/fault.ts';
import type { BookRequirement } from '#core/spec/book/book-requirement.ts';
import { NO_CONDITIONS } from '#core/spec/requirement/conditions.ts';
import { readRequirement } from '#core/spec/requirement/read-requirement.ts';

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
