import { randomUUID } from 'node:crypto';
import { whoMay } from '#core/people/may.ts';
import type { Person } from '#core/people/person.ts';
import { accepted, type Result, refused } from '#core/result.ts';
import type { NewPerson } from '#wire/person.ts';
import type { Problem } from '#wire/problems/problem.ts';
import { database } from '../database/pool.ts';
import { inTransaction, type Transaction } from '../database/transaction.ts';
import { hasPeople, insertPerson } from '../queries/people.ts';
import { lockSite } from '../queries/site.ts';
import { insertLogEntry } from '../queries/site-log.ts';
import { personState } from '../sealing/stated.ts';
import { type ChosenPin, chosenPin } from './choose-pin.ts';
import { now } from './clock.ts';
import { checkSetupCode } from './setup-code.ts';

const UNCHOSEN = { hash: '', digits: null } as const;

const added = async (
  db: Transaction,
  { id, name, role }: Person,
  pin: ChosenPin | typeof UNCHOSEN,
  by: Pick<Person, 'id' | 'name'>,
): Promise<Result<Person, Problem>> => {
  const person = { id, name, role };
  const at = now();
  if (!(await insertPerson(db, person, pin, at))) return refused({ code: 'name-taken', name });
  const entry = { at, by, kind: 'person-added', subject: id, why: '' } as const;
  await insertLogEntry(db, { ...entry, body: { after: personState(person, pin.hash) } });
  return accepted(person);
};

/** Adds a person. `by` is who asks, null on an empty site, whose first person is a lead; of several who ask at once one is the first. Who is added without a PIN
 *  chooses it by an invitation. Refuses: role-may-not, site-has-people, name-taken, pin-not-chosen (the first person), and what chosenPin refuses. */
export const addPerson = async (
  { name, role, pin }: Pick<NewPerson, 'name' | 'role' | 'pin'>,
  by: Person | null,
): Promise<Result<Person, Problem>> => {
  const right = by === null ? null : whoMay(by, 'add-person');
  if (right && !right.ok) return right;
  if (by === null && pin === null) return refused({ code: 'pin-not-chosen' });
  const chosen = pin === null ? accepted(UNCHOSEN) : await chosenPin(database(), pin);
  if (!chosen.ok) return chosen;
  return inTransaction(
    async (db): Promise<Result<Person, Problem>> => {
      const person: Person = { id: randomUUID(), name, role };
      if (by !== null) return added(db, person, chosen.value, by);
      await lockSite(db);
      if (await hasPeople(db)) return refused({ code: 'site-has-people' });
      return added(db, { ...person, role: 'lead' }, chosen.value, person);
    },
    (result) => result.ok,
  );
};

/** Adds the first person of an empty site, who has typed the code that its start printed. Refuses: site-has-people, what checkSetupCode refuses, and what
 *  addPerson refuses. */
export const addFirstPerson = async (person: NewPerson): Promise<Result<Person, Problem>> => {
  if (await hasPeople(database())) return refused({ code: 'site-has-people' });
  const code = checkSetupCode(person.setupCode ?? '');
  return code.ok ? addPerson(person, null) : code;
};
