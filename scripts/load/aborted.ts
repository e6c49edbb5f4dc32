import type { RowDataPacket } from 'mysql2';
import { createConnection } from 'mysql2/promise';
import { database } from '#server/database/pool.ts';
import { inTransaction, type Transaction } from '#server/database/transaction.ts';

const AT_WORK_SECONDS = 0.5;

type Counters = { readonly job: number; readonly requirement: number };

const counters = async (): Promise<Counters> => {
  const [rows] = await database().query<RowDataPacket[]>(
    "SELECT name, value FROM counters WHERE name IN ('job', 'requirement')",
  );
  return Object.fromEntries(rows.map(({ name, value }) => [name, value])) as Counters;
};

const pause = (seconds: number): Promise<void> =>
  new Promise((resolve) => setTimeout(resolve, seconds * 1000));

type Ended = { readonly tries: number; readonly requirement: number; readonly job: number };

/** What came of a transaction that another node ended while it was `at` work. */
const ended = async (
  otherNode: string,
  at: (db: Transaction, isFirstTry: boolean) => Promise<void>,
): Promise<Ended> => {
  const other = await createConnection({ uri: otherNode });
  const before = await counters();
  let tries = 0;
  const done = inTransaction(async (db) => {
    tries += 1;
    await db.query("SELECT value FROM counters WHERE name = 'requirement' FOR UPDATE");
    await at(db, tries === 1);
  });
  await pause(AT_WORK_SECONDS / 2);
  await other.query("UPDATE counters SET value = value + 100 WHERE name = 'requirement'");
  await done;
  await other.end();
  const after = await counters();
  return { tries, requirement: after.requirement - before.requirement, job: after.job - before.job };
};

const WRITES = [
  "UPDATE counters SET value = value + 1 WHERE name = 'requirement'",
  "UPDATE counters SET value = value + 10 WHERE name = 'job'",
];

/** Lets another node's transaction end one of the application's in the middle, each time at another statement, and between two: before a read
 *  that the connection never made. Answers what was carried out in part or twice, or read without the lock that it was made behind. */
export const abortInTheMiddle = async (otherNode: string): Promise<readonly string[]> => {
  const problems: string[] = [];
  const expect = (name: string, { tries, requirement, job }: Ended): void => {
    if (tries !== 2 || requirement !== 101 || job !== 10)
      problems.push(`${name}: ${tries} tries, ${requirement} instead of 101, ${job} instead of 10`);
  };
  for (const place of [0, 1, 2]) {
    const came = await ended(otherNode, async (db, isFirstTry) => {
      const writes = WRITES.slice();
      writes.splice(place, 0, `DO SLEEP(${isFirstTry ? AT_WORK_SECONDS : 0})`);
      for (const write of writes) db.write(write, {});
    });
    expect(`ended at statement ${place + 1}`, came);
  }
  let hasReadOn = false;
  const came = await ended(otherNode, async (db, isFirstTry) => {
    if (isFirstTry) await pause(AT_WORK_SECONDS);
    await db.execute(`SELECT value AS never_asked_before FROM counters WHERE name = 'requirement'`);
    if (isFirstTry) hasReadOn = true;
    for (const write of WRITES) db.write(write, {});
  });
  expect('ended before a read', came);
  if (hasReadOn) problems.push('ended before a read: the read was answered without the lock');
  return problems;
};
