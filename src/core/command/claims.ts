import { canonicalText } from '../canonical.ts';
import type { PlannedRequirement } from '../job/plan.ts';
import type { JobRefusal } from '../job/refusal.ts';
import { readNumber } from '../quantity/read-number.ts';
import type { Rules } from '../rules/rules.ts';
import type { Known } from './known.ts';

const MOST_DEEP = 12;

/** The first value anywhere in a body that its own text does not say, by its path; null when every number follows from its text.
 *  A torque as written is any object with `text`, `value` and `unit`. */
export const untrueText = (value: unknown): string | null => untruePath(value, 0)?.join('.') ?? null;

const untruePath = (value: unknown, depth: number): readonly string[] | null => {
  if (value === null || typeof value !== 'object' || depth > MOST_DEEP) return null;
  const fields = value as Readonly<Record<string, unknown>>;
  const { text, value: number, unit } = fields;
  if (typeof text === 'string' && typeof number === 'number' && typeof unit === 'string') {
    const read = readNumber(text);
    const isTrue = read.ok && read.value.value === number && read.value.text === text;
    return isTrue ? null : depth === 0 ? ['value'] : [];
  }
  for (const key of Object.keys(fields)) {
    const untrue = untruePath(fields[key], depth + 1);
    if (untrue) return [key, ...untrue];
  }
  return null;
};

/** Whether a requirement is what its print says, or what a person settled where the print is in doubt, as the rules read it. */
const isAsPrinted = ({ printed, readAs, requirement, book }: PlannedRequirement, rules: Rules): boolean => {
  // A requirement carries its own unit by now; which unit the site prefers changes no value.
  const read = rules.readRequirement(readAs ?? printed, 'N.m');
  const stated = canonicalText(requirement);
  if (!read.ok || canonicalText(read.value.requirement) !== stated) return false;
  if (readAs === null || book !== null || rules.mayRereadClearPrint) return true;
  const clear = rules.readRequirement(printed, 'N.m');
  return (
    !clear.ok || clear.value.disagreements.length > 0 || canonicalText(clear.value.requirement) === stated
  );
};

/** Why a requirement can't stand on a job as it is stated; null when it can: its print says it, and the book where it refers to the book. */
export const requirementProblem = (
  position: string,
  requirement: PlannedRequirement,
  known: Known,
  rules: Rules,
): JobRefusal | null => {
  if (!isAsPrinted(requirement, rules)) return { code: 'requirement-misread', position };
  if (!known.isInBook(requirement))
    return { code: 'book-reference-unknown', requirementCode: requirement.book?.code ?? '' };
  return null;
};
