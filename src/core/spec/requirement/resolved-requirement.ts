import type { TorqueUnit } from '../../quantity/unit.ts';
import { type Result, refused } from '../../result.ts';
import { type ReadRequirement, readRequirement } from './read-requirement.ts';
import type { RequirementRefusal } from './requirement-refusal.ts';

export type UnresolvedRefusal =
  | RequirementRefusal
  | {
      readonly code: 'statements-disagree';
      /** The statements in their own words, to choose from. */
      readonly candidates: readonly string[];
      /** Null where they are of different kinds. */
      readonly differencePercent: number | null;
    };

/** Reads a requirement that says one thing: two statements of it agree within rounding.
 *  Refuses: what readRequirement refuses, and statements-disagree. */
export const resolvedRequirement = (
  text: string,
  siteUnit: TorqueUnit,
): Result<ReadRequirement, UnresolvedRefusal> => {
  const read = readRequirement(text, siteUnit);
  if (!read.ok) return read;
  const { statements, disagreements } = read.value;
  const [first] = disagreements;
  return first
    ? refused({
        code: 'statements-disagree',
        candidates: statements,
        differencePercent: first.differencePercent,
      })
    : read;
};
