import { timingSafeEqual } from 'node:crypto';
import { accepted, type Result, refused } from '#core/result.ts';
import type { Problem } from '#wire/problems/problem.ts';

/** So many wrong codes, and no more are taken until the site is started again with another. */
const MOST_WRONG = 20;
let wrong = 0;

const bare = (code: string): Buffer => Buffer.from(code.toUpperCase().replace(/[^0-9A-Z]/g, ''));

/** Whether somebody who begins an empty site has read the code that its start printed (JENTIK_SETUP_CODE): whoever reaches the address first has not.
 *  Refuses: setup-code-wrong, setup-code-spent. */
export const checkSetupCode = (given: string): Result<null, Problem> => {
  const [expected, typed] = [bare(process.env['JENTIK_SETUP_CODE'] ?? ''), bare(given)];
  if (expected.length === 0 || wrong >= MOST_WRONG) return refused({ code: 'setup-code-spent' });
  if (expected.length === typed.length && timingSafeEqual(expected, typed)) return accepted(null);
  wrong += 1;
  return refused({ code: 'setup-code-wrong' });
};
