import { createServer } from 'node:net';
import { createConnection } from 'mysql2/promise';
import { describe, expect, inject, test } from 'vitest';
import { isDatabaseAway } from '#server/database/away.ts';
import { database } from '#server/database/pool.ts';
import { inTransaction } from '#server/database/transaction.ts';
import { faultResponse } from '#server/http/endpoint.ts';

const failed = (work: Promise<unknown>): Promise<unknown> =>
  work.then(
    () => null,
    (error) => error,
  );

/** The address of a port that nobody listens at. */
const nowhere = (): Promise<string> =>
  new Promise((resolve) => {
    const server = createServer().listen(0, '127.0.0.1', () => {
      const { port } = server.address() as { port: number };
      server.close(() => resolve(`mysql://nobody@127.0.0.1:${port}/jentik`));
    });
  });

describe('a database that is away is said to be, with when to ask again', () => {
  test.each([
    ['nobody listens', async () => createConnection({ uri: await nowhere() })],
    [
      'the connection is killed in the middle',
      () =>
        inTransaction(async (db) => {
          const [rows] = await db.query('SELECT CONNECTION_ID() AS id');
          const owner = await createConnection({ uri: inject('ownerUrl') });
          await owner.query(`KILL ${(rows as unknown as [{ id: number }])[0].id}`);
          await owner.end();
          await db.query('SELECT 1');
        }),
    ],
    [
      'the connection was given up before',
      async () => {
        const connection = await createConnection({ uri: inject('ownerUrl') });
        connection.destroy();
        await connection.query('SELECT 1');
      },
    ],
    [
      'a statement takes longer than it may',
      () =>
        database().query(
          'SET STATEMENT max_statement_time = 0.05 FOR SELECT COUNT(*) FROM information_schema.COLUMNS a, information_schema.COLUMNS b, information_schema.COLUMNS c',
        ),
    ],
  ])('%s: 503, Retry-After', async (_, work) => {
    const error = await failed(work());
    expect(error).toBeInstanceOf(Error);
    expect(isDatabaseAway(error)).toBe(true);
    const answer = faultResponse(error);
    expect([answer.status, answer.headers.get('retry-after')]).toEqual([503, '1']);
    expect(await answer.json()).toMatchObject({ problem: { code: 'database-away' }, retry: true });
  });

  test.each([
    [1047, 'WSREP has not yet prepared node for application use'],
    [
      1180,
      'Error while appending streaming replication fragment(provider status: Not connected to Primary Component)',
    ],
  ])('a node that left its cluster, before a statement or in its commit (%i)', (errno, message) => {
    const answer = faultResponse(Object.assign(new Error(message), { errno }));
    expect([answer.status, answer.headers.get('retry-after')]).toEqual([503, '1']);
  });

  test('a statement that is wrong, or a fault of the program, is not', async () => {
    expect(isDatabaseAway(await failed(database().query('SELECT nothing FROM nowhere')))).toBe(false);
    expect(isDatabaseAway(new TypeError('x is undefined'))).toBe(false);
    expect(isDatabaseAway('ECONNREFUSED')).toBe(false);
  });
});
