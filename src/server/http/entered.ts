import type { APIContext } from 'astro';
import { accepted, type Result } from '#core/result.ts';
import type { EnteredPerson } from '#wire/person.ts';
import type { Problem } from '#wire/problems/problem.ts';
import type { Entered } from '../services/session.ts';
import { setCookies } from './session-cookie.ts';

/** What somebody is answered who was let in: their secrets as cookies, and who they are. */
export const entered = (
  { cookies }: APIContext,
  result: Result<Entered, Problem>,
): Result<EnteredPerson, Problem> => {
  if (!result.ok) return result;
  const { person, asksNewPin, wrongSince } = result.value;
  setCookies(cookies, result.value);
  return accepted({ ...person, asksNewPin, wrongSince });
};
