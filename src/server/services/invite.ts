import { randomInt } from 'node:crypto';
import { accepted, type Result, refused } from '#core/result.ts';
import type { Problem } from '#wire/problems/problem.ts';
import type { Asker } from '../asker.ts';
import { database } from '../database/pool.ts';
import { inTransaction } from '../database/transaction.ts';
import type { Knock } from '../knock.ts';
import { deleteInvitations, insertInvitation, selectInvited } from '../queries/invitations.ts';
import { selectMember, updateStrangers } from '../queries/people.ts';
import { deleteKnownDevices, deleteTriesFor } from '../queries/pin-tries.ts';
import { deleteSessionsOf } from '../queries/sessions.ts';
import { selectSite } from '../queries/site.ts';
import { insertLogEntry } from '../queries/site-log.ts';
import { secretHash } from '../secret.ts';
import { changed } from './change-person.ts';
import { chosenPin } from './choose-pin.ts';
import { now, secondsAfter } from './clock.ts';
import { type Entered, enter } from './session.ts';

/** How long an invitation works. */
const INVITATION_SECONDS = 30 * 60;
// Letters and digits that nobody takes for another: no I, L, O, U, 0 or 1. Fifteen of them are 73 bits.
const LETTERS = 'ABCDEFGHJKMNPQRSTVWXYZ23456789';
const GROUPS = 3;
const GROUP_LENGTH = 5;

const newCode = (): string =>
  Array.from({ length: GROUPS }, () =>
    Array.from({ length: GROUP_LENGTH }, () => LETTERS[randomInt(LETTERS.length)]).join(''),
  ).join('-');

const codeHash = (code: string): string => secretHash(code.toUpperCase().replace(/[^A-Z0-9]/g, ''));

/** Invites a person to choose their PIN on a device of theirs. The PIN they had works no more, and their sessions end: this is also how a forgotten PIN is put right,
 *  and no lead ever knows another's. Refuses: not-found (also one who left). */
export const invite = (
  personId: string,
  by: Asker,
): Promise<Result<{ readonly code: string; readonly expiresAt: string }, Problem>> =>
  inTransaction(
    async (db): Promise<Result<{ readonly code: string; readonly expiresAt: string }, Problem>> => {
      const member = await selectMember(db, personId);
      if (!member || member.leftAt !== null) return refused({ code: 'not-found', what: 'person' });
      const time = now();
      const [code, expiresAt] = [newCode(), secondsAfter(time, INVITATION_SECONDS)];
      if (member.pinHash !== '')
        await changed(
          db,
          member.person,
          { pinHash: '', pinDigits: null, leftAt: null },
          { by, why: 'invited to choose a new PIN' },
        );
      await deleteSessionsOf(db, personId, null);
      await deleteKnownDevices(db, personId, null);
      await insertInvitation(db, { codeHash: codeHash(code), personId, now: time, expiresAt });
      await insertLogEntry(db, { at: time, by, kind: 'invited', subject: personId, why: '', body: {} });
      return accepted({ code, expiresAt });
    },
    (result) => result.ok,
  );

/** Whom an invitation is for, and how many digits their PIN must have. Refuses: invitation-unknown. */
export const invited = async (
  code: string,
): Promise<Result<{ readonly name: string; readonly pinDigits: number }, Problem>> => {
  const found = await selectInvited(database(), codeHash(code), now());
  const member = found && (await selectMember(database(), found.personId));
  if (!member || member.leftAt !== null) return refused({ code: 'invitation-unknown' });
  return accepted({ name: member.person.name, pinDigits: (await selectSite(database())).pinDigits });
};

/** Chooses a person's PIN by an invitation and lets them in on the device they hold, whatever strangers tried for them before.
 *  Refuses: invitation-unknown, what chosenPin refuses. */
export const join = (code: string, pin: string, knock: Knock): Promise<Result<Entered, Problem>> =>
  inTransaction(
    async (db): Promise<Result<Entered, Problem>> => {
      const found = await selectInvited(db, codeHash(code), now());
      const member = found && (await selectMember(db, found.personId));
      if (!member || member.leftAt !== null) return refused({ code: 'invitation-unknown' });
      const chosen = await chosenPin(db, pin);
      if (!chosen.ok) return chosen;
      const { person } = member;
      const { hash: pinHash, digits: pinDigits } = chosen.value;
      await changed(db, person, { pinHash, pinDigits, leftAt: null }, { by: person, why: 'by invitation' });
      await deleteInvitations(db, person.id);
      await deleteTriesFor(db, person.id);
      await updateStrangers(db, person.id, { wrong: 0, lastAtMs: null });
      return accepted(await enter(db, { person, pinDigits }, knock));
    },
    (result) => result.ok,
  );
