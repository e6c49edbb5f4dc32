import { RULES_1 } from './1/rules.ts';
import { RULES_2 } from './2/rules.ts';
import { RULES_3 } from './3/rules.ts';
import { RULES_4 } from './4/rules.ts';
import type { Rules } from './rules.ts';

/** What a new job is judged by. */
export const NEWEST_RULES = RULES_4;

const BY_NUMBER: ReadonlyMap<number, Rules> = new Map(
  [RULES_1, RULES_2, RULES_3, RULES_4].map((rules) => [rules.number, rules]),
);

/** The rules of a number; null where this code does not have them. */
export const rulesOf = (number: number): Rules | null => BY_NUMBER.get(number) ?? null;
