import type { Person } from '#core/people/person.ts';
import { database } from '../database/pool.ts';
import { selectPinDigits } from '../queries/people.ts';
import { selectSite } from '../queries/site.ts';
import { ownSessions, type ShownSession, wrongTriesOf } from './session.ts';
import { calendarStanding } from './tokens.ts';

/** What a person is shown of their own: where they are signed in, what their PIN lacks, and what others tried for them. */
export const ownStanding = async (
  person: Person,
  token: string,
): Promise<{
  readonly sessions: readonly ShownSession[];
  readonly calendar: Awaited<ReturnType<typeof calendarStanding>>;
  readonly pinDigits: number;
  readonly idleMinutes: number;
  readonly asksNewPin: boolean;
  readonly wrongSince: number;
}> => {
  const { pinDigits, idleMinutes } = await selectSite(database());
  const digits = await selectPinDigits(database(), person.id);
  return {
    sessions: await ownSessions(person, token),
    calendar: await calendarStanding(person),
    pinDigits,
    idleMinutes,
    asksNewPin: digits === null || digits < pinDigits,
    wrongSince: await wrongTriesOf(database(), person),
  };
};
