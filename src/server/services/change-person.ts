import type { Person, Role } from '#core/people/person.ts';
import { accepted, type Result, refused } from '#core/result.ts';
import type { Problem } from '#wire/problems/problem.ts';
import type { Asker } from '../asker.ts';
import { inTransaction, type Transaction } from '../database/transaction.ts';
import type { Knock } from '../knock.ts';
import { deleteInvitations } from '../queries/invitations.ts';
import {
  type PersonRow,
  selectMember,
  selectPeople,
  updatePerson,
  updateStrangers,
} from '../queries/people.ts';
import { deleteKnownDevices, deleteTriesAt, deleteTriesFor } from '../queries/pin-tries.ts';
import { deleteSessionsOf } from '../queries/sessions.ts';
import { lockSite } from '../queries/site.ts';
import { insertLogEntry } from '../queries/site-log.ts';
import { deleteTokensOf } from '../queries/tokens.ts';
import { personState } from '../sealing/stated.ts';
import { secretHash } from '../secret.ts';
import { checkPin } from './check-pin.ts';
import { chosenPin } from './choose-pin.ts';
import { now } from './clock.ts';

/** Writes a person as they are from now on, and into the log who changed them and why. */
export const changed = async (
  db: Transaction,
  person: Person,
  row: Omit<PersonRow, 'id' | 'role'>,
  { by, why }: { readonly by: Asker; readonly why: string },
): Promise<void> => {
  await updatePerson(db, { ...row, id: person.id, role: person.role });
  const after = personState(person, row.pinHash, row.leftAt);
  const entry = { at: now(), by, kind: 'person-changed', subject: person.id, why } as const;
  await insertLogEntry(db, { ...entry, body: { after } });
};

const UNKNOWN = { code: 'not-found', what: 'person' } as const;

/** Whether somebody else leads the site. Held until the transaction ends, so that two leads who step down at once do not both. */
const hasOtherLead = async (db: Transaction, { id }: Person): Promise<boolean> => {
  await lockSite(db);
  return (await selectPeople(db)).some((each) => each.role === 'lead' && each.id !== id);
};

/** Gives a person another role. Refuses: not-found, last-lead. */
export const changeRole = (
  personId: string,
  role: Role,
  why: string,
  by: Asker,
): Promise<Result<Person, Problem>> =>
  inTransaction(
    async (db): Promise<Result<Person, Problem>> => {
      const member = await selectMember(db, personId);
      if (!member) return refused(UNKNOWN);
      const { person: before, pinHash, leftAt } = member;
      if (before.role === 'lead' && role !== 'lead' && !(await hasOtherLead(db, before)))
        return refused({ code: 'last-lead' });
      const person = { ...before, role };
      await changed(db, person, { pinHash, pinDigits: null, leftAt }, { by, why });
      return accepted(person);
    },
    (result) => result.ok,
  );

/** Takes from a person every way in that they have. */
const shutOut = async (db: Transaction, personId: string): Promise<void> => {
  await deleteSessionsOf(db, personId, null);
  await deleteKnownDevices(db, personId, null);
  await deleteInvitations(db, personId);
  await deleteTokensOf(db, personId);
};

/** A person leaves: every way in ends, and they stay in the records. Refuses: not-found, last-lead. */
export const leave = (personId: string, why: string, by: Asker): Promise<Result<Person, Problem>> =>
  inTransaction(
    async (db): Promise<Result<Person, Problem>> => {
      const member = await selectMember(db, personId);
      if (!member) return refused(UNKNOWN);
      const { person, leftAt } = member;
      if (leftAt !== null) return accepted(person);
      if (person.role === 'lead' && !(await hasOtherLead(db, person))) return refused({ code: 'last-lead' });
      await shutOut(db, personId);
      await changed(db, person, { pinHash: '', pinDigits: null, leftAt: now() }, { by, why });
      return accepted(person);
    },
    (result) => result.ok,
  );

/** A person who left is back, without a PIN. Refuses: not-found. */
export const comeBack = (personId: string, by: Asker): Promise<Result<Person, Problem>> =>
  inTransaction(async (db): Promise<Result<Person, Problem>> => {
    const member = await selectMember(db, personId);
    if (!member) return refused(UNKNOWN);
    const { person, leftAt } = member;
    if (leftAt !== null)
      await changed(db, person, { pinHash: '', pinDigits: null, leftAt: null }, { by, why: 'back again' });
    return accepted(person);
  });

/** Ends every session of a person. Refuses: not-found. */
export const endSessionsOf = (personId: string, by: Asker): Promise<Result<null, Problem>> =>
  inTransaction(async (db): Promise<Result<null, Problem>> => {
    if (!(await selectMember(db, personId))) return refused(UNKNOWN);
    await deleteSessionsOf(db, personId, null);
    const entry = { at: now(), by, kind: 'signed-out', subject: personId, why: '' } as const;
    await insertLogEntry(db, { ...entry, body: { session: 'all' } });
    return accepted(null);
  });

/** Forgets what strangers tried for a person. Refuses: not-found. */
export const unlock = (personId: string, by: Asker): Promise<Result<null, Problem>> =>
  inTransaction(async (db): Promise<Result<null, Problem>> => {
    if (!(await selectMember(db, personId))) return refused(UNKNOWN);
    await deleteTriesFor(db, personId);
    await updateStrangers(db, personId, { wrong: 0, lastAtMs: null });
    const entry = { at: now(), by, kind: 'doors-opened', subject: personId, why: '' } as const;
    await insertLogEntry(db, { ...entry, body: {} });
    return accepted(null);
  });

/** Forgets what was tried at an address. */
export const openAddress = (address: string, by: Asker): Promise<void> =>
  inTransaction(async (db) => {
    await deleteTriesAt(db, address);
    const entry = { at: now(), by, kind: 'doors-opened', subject: 'address', why: '' } as const;
    await insertLogEntry(db, { ...entry, body: { address } });
  });

/** Changes the PIN of a person who proves the one they have; their other sessions end, and other devices are strangers again.
 *  Refuses: what checkPin and chosenPin refuse, pin-same. */
export const changePin = (
  person: Asker,
  { pin, newPin }: { readonly pin: string; readonly newPin: string },
  { knock, token }: { readonly knock: Knock; readonly token: string },
): Promise<Result<null, Problem>> =>
  inTransaction(async (db): Promise<Result<null, Problem>> => {
    const credentials = await checkPin(db, person.id, pin, knock);
    if (!credentials.ok) return credentials;
    if (pin === newPin) return refused({ code: 'pin-same' });
    const chosen = await chosenPin(db, newPin);
    if (!chosen.ok) return chosen;
    const { hash: pinHash, digits: pinDigits } = chosen.value;
    await changed(
      db,
      credentials.value.person,
      { pinHash, pinDigits, leftAt: null },
      { by: person, why: '' },
    );
    await deleteSessionsOf(db, person.id, secretHash(token));
    await deleteKnownDevices(db, person.id, knock.device === null ? null : secretHash(knock.device));
    await deleteInvitations(db, person.id);
    return accepted(null);
  });
