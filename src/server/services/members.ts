import { NEVER_TRIED, waitOfStranger } from '#core/people/guessing.ts';
import type { Members } from '#wire/api-people.ts';
import { database } from '../database/pool.ts';
import { selectMembers } from '../queries/people.ts';
import { selectTriedAddresses } from '../queries/pin-tries.ts';
import { selectSessions } from '../queries/sessions.ts';
import { selectSite } from '../queries/site.ts';
import { now } from './clock.ts';

const iso = (ms: number | null): string | null => (ms === null ? null : new Date(ms).toISOString());

/** Everyone who works or worked here with what a lead must know, and from where wrong PINs came. */
export const members = async (): Promise<Members> => {
  const db = database();
  const time = now();
  const nowMs = Date.parse(time);
  const { pinDigits: asked, idleMinutes } = await selectSite(db);
  const [people, sessions, addresses] = await Promise.all([
    selectMembers(db),
    selectSessions(db, null, { now: time, idleMinutes }),
    selectTriedAddresses(db),
  ]);
  const none = { here: NEVER_TRIED, address: NEVER_TRIED, person: NEVER_TRIED };
  return {
    members: people.map(({ person, leftAt, hasPin, pinDigits, strangers }) => {
      const own = sessions.filter(({ personId }) => personId === person.id);
      return {
        person,
        leftAt,
        hasPin,
        isPinShort: hasPin && (pinDigits === null || pinDigits < asked),
        sessions: own.length,
        seenAt: own[0]?.seenAt ?? null,
        strangersWaitSeconds: waitOfStranger({ ...none, person: strangers }, nowMs).seconds,
      };
    }),
    addresses: addresses.map(({ address, tries }) => ({
      address,
      wrong: tries.wrong,
      lastAt: iso(tries.lastAtMs),
      waitSeconds: waitOfStranger({ ...none, address: tries }, nowMs).seconds,
    })),
  };
};
