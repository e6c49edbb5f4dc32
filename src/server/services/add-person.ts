import { randomUUID } from 'node:crypto';
import { whoMay } from '#core/people/may.ts';
import type { Person } from '#core/people/person.ts';
import { accepted, type Result, refused } from '#core/result.ts';
import type { NewPerson } from '#wire/person.ts';
import type { Problem } from '#wire/problems/problem.ts';
import { database } from '../database/pool.ts';
import { inTransaction } from '../database/transaction.ts';
import { insertPerson, selectPeople } from '../queries/people.ts';
import { insertLogEntry } from '../queries/site-log.ts';
import { personState } from '../sealing/stated.ts';
import { pinHash } from './check-pin.ts';
import { now } from './clock.ts';

/** Adds a person. `by` is who asks, null on an empty site, whose first person is a lead.
 *  Refuses: role-may-not, site-has-people, name-taken. */
export const addPerson = async (person: NewPerson, by: Person | null): Promise<Result<Person, Problem>> => {
  const isFirst = (await selectPeople(database())).length === 0;
  if (by === null && !isFirst) return refused({ code: 'site-has-people' });
  const right = by === null ? null : whoMay(by, 'add-person');
  if (right && !right.ok) return right;
  const { name, role, pin } = person;
  const added: Person = { id: randomUUID(), name, role: isFirst ? 'lead' : role };
  const hash = await pinHash(pin);
  return inTransaction(
    async (db): Promise<Result<Person, Problem>> => {
      const at = now();
      if (!(await insertPerson(db, added, hash, at))) return refused({ code: 'name-taken', name });
      await insertLogEntry(db, {
        at,
        by: by ?? added,
        kind: 'person-added',
        subject: added.id,
        why: '',
        body: { after: personState(added, hash) },
      });
      return accepted(added);
    },
    (result) => result.ok,
  );
};
