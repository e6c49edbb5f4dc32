import type { Pool, PoolConnection } from 'mysql2/promise';
import { v7 as uuidv7 } from 'uuid';
import type { UnplacedEvent } from '#core/event/event.ts';
import { valueOrThrow } from '#core/fault.ts';
import { appendedTo, unknownContact } from '#server/append/append-events.ts';
import { type Device, readyJob, type SiteClient } from '../load/site-client.ts';
import { onBenchSite } from './bench-site.ts';
import { median, printFigure, printMeasured, timedAsync } from './measured.ts';

const TOOL = 'TS-07';
const TERMINALS = 40;
const SECONDS = 4;
const OFFERED_A_SECOND = 100;
const BATCH = 100;
const BATCH_ROUNDS = 80;
/** Not counted: a server that never saw a batch runs that code slowly at first. */
const BATCH_ROUNDS_COLD = 20;
const BULK_PULLS = 30_000;
const LONG_JOB = 12_000;

/** The rows that one pull leaves, written by hand: no check, no decision, no chain. */
const handWritten = async (pool: Pool, job: string, events: readonly UnplacedEvent[]): Promise<void> => {
  const db: PoolConnection = await pool.getConnection();
  const bytes = (id: string): Buffer => Buffer.from(id.replaceAll('-', ''), 'hex');
  try {
    await db.beginTransaction();
    const [rows] = await db.execute('SELECT head_sequence FROM jobs WHERE id = ? FOR UPDATE', [job]);
    const [{ head_sequence: head }] = rows as [{ head_sequence: number }];
    const at = '2026-11-25 08:00:00.000';
    const hash = 'a'.repeat(64);
    await db.query(
      `INSERT INTO events (job_id, sequence, id, schema_version, kind, device_time, server_time, person_id,
                           person_name, person_role, clock, body, previous_hash, hash) VALUES ?`,
      [
        events.map(({ id, kind, person, body }, index) => [
          job,
          head + 1 + index,
          id,
          2,
          kind,
          at,
          at,
          person.id,
          person.name,
          person.role,
          '{}',
          JSON.stringify(body),
          hash,
          hash,
        ]),
      ],
    );
    await db.execute(
      'UPDATE jobs SET head_sequence = ?, head_hash = ?, fasteners_in = ?, last_person = ?, last_event_at = ? WHERE id = ?',
      [head + events.length, hash, 1, 'x', at, job],
    );
    await db.query(
      `INSERT INTO pulls (event_id, tool_id, job_id, person_id, position, label, pulled_at, shown_newton_metres,
                          torque_newton_metres, low_newton_metres, high_newton_metres, outcome) VALUES ?`,
      [
        events.map(({ id, person }) => [
          bytes(id),
          bytes(job),
          bytes(job),
          bytes(person.id),
          'P1',
          'terminal',
          at,
          1.6,
          1.6,
          1.4,
          1.9,
          'in',
        ]),
      ],
    );
    await db.execute(
      `INSERT INTO pull_counts (alike, tool_id, pulled_on, job_id, uses, last_used_at) VALUES (?, ?, DATE(?), ?, ?, ?)
       ON DUPLICATE KEY UPDATE uses = uses + VALUES(uses)`,
      [bytes(job), bytes(job), at, bytes(job), events.length, at],
    );
    await db.commit();
  } finally {
    db.release();
  }
};

/** How many times a second each of some workers does its work, for a few seconds. */
const rate = async (workers: readonly (() => Promise<void>)[]): Promise<number> => {
  let done = 0;
  const until = performance.now() + SECONDS * 1000;
  await Promise.all(
    workers.map(async (work) => {
      while (performance.now() < until) {
        await work();
        done += 1;
      }
    }),
  );
  return done / SECONDS;
};

type Station = { readonly client: SiteClient; readonly device: Device; pulls: number };

const nextPulls = (station: Station, count: number): readonly UnplacedEvent[] =>
  Array.from({ length: count }, () => {
    station.pulls += 1;
    return station.device.pull(`P${(station.pulls % TERMINALS) + 1}`);
  });

const append = async ({ client, device }: Station, events: readonly UnplacedEvent[]): Promise<void> => {
  const { status, body } = await client.ask('POST', `/api/v1/jobs/${device.job}/events`, {
    events,
    sentAt: new Date().toISOString(),
  });
  const { refused } = body as { readonly refused: unknown };
  if (status !== 200 || refused) throw new Error(`${status}: ${JSON.stringify(body).slice(0, 400)}`);
};

const benchRates = async (
  stations: readonly Station[],
  pool: Pool,
  jobs: readonly string[],
): Promise<void> => {
  // A server just started runs its code slowly at first; neither side is counted until it is warm.
  await rate(stations.map((station) => () => append(station, nextPulls(station, 1))));
  for (const clients of [1, 8]) {
    const [ours, theirs]: [number[], number[]] = [[], []];
    for (let round = 0; round < 3; round += 1) {
      ours.push(
        await rate(stations.slice(0, clients).map((station) => () => append(station, nextPulls(station, 1)))),
      );
      theirs.push(
        await rate(
          stations.slice(0, clients).map((station, index) => () => {
            const [event] = nextPulls(station, 1);
            return handWritten(pool, jobs[index] as string, [{ ...(event as UnplacedEvent), id: uuidv7() }]);
          }),
        ),
      );
    }
    const rival = `${clients} client${clients > 1 ? 's' : ''}`;
    printFigure({ name: `hand-written transactions, ${rival}`, values: theirs, unit: 'a second' });
    printFigure({
      name: `single appends through HTTP, ${rival}`,
      values: ours,
      unit: 'a second',
      ratio: median(ours) / median(theirs),
    });
  }
};

/** How long each of so many a second takes, whether or not the one before it is through. */
const offered = async (work: (index: number) => () => Promise<void>): Promise<readonly number[]> => {
  const times: number[] = [];
  const gap = 1000 / OFFERED_A_SECOND;
  const start = performance.now();
  const pending: Promise<void>[] = [];
  for (let index = 0; index < OFFERED_A_SECOND * SECONDS * 2; index += 1) {
    const due = start + index * gap;
    await new Promise((resolve) => setTimeout(resolve, Math.max(0, due - performance.now())));
    const ready = work(index);
    const sentAt = performance.now();
    pending.push(ready().then(() => void times.push(performance.now() - sentAt)));
  }
  await Promise.all(pending);
  return times;
};

const benchOffered = async (
  stations: readonly Station[],
  pool: Pool,
  jobs: readonly string[],
): Promise<void> => {
  const at = (index: number) => stations[index % stations.length] as Station;
  const theirs = await offered((index) => {
    const [event] = nextPulls(at(index), 1);
    const job = jobs[index % jobs.length] as string;
    return () => handWritten(pool, job, [{ ...(event as UnplacedEvent), id: uuidv7() }]);
  });
  const ours = await offered((index) => {
    const events = nextPulls(at(index), 1);
    return () => append(at(index), events);
  });
  printMeasured(`a hand-written transaction when ${OFFERED_A_SECOND} a second are offered`, theirs);
  printMeasured(
    `an append when ${OFFERED_A_SECOND} a second are offered`,
    ours,
    median(ours) / median(theirs),
  );
};

const benchBatches = async (station: Station, pool: Pool, job: string): Promise<void> => {
  const [ours, theirs]: [number[], number[]] = [[], []];
  for (let round = 0; round < BATCH_ROUNDS; round += 1) {
    const mine = nextPulls(station, BATCH);
    const [our] = await timedAsync(1, () => append(station, mine));
    const same = mine.map((event) => ({ ...event, id: uuidv7() }));
    const [their] = await timedAsync(1, () => handWritten(pool, job, same));
    if (round < BATCH_ROUNDS_COLD || our === undefined || their === undefined) continue;
    ours.push(our);
    theirs.push(their);
  }
  printMeasured(`a hand-written batch of ${BATCH}`, theirs);
  printMeasured(`a batch of ${BATCH} through HTTP`, ours, median(ours) / median(theirs));
};

const benchBulk = async (station: Station, pool: Pool, job: string): Promise<void> => {
  const { device, client } = station;
  const batches = Array.from({ length: BULK_PULLS / BATCH }, () => nextPulls(station, BATCH));
  const copies = batches.map((batch) => batch.map((event) => ({ ...event, id: uuidv7() })));
  const [theirs] = await timedAsync(1, async () => {
    for (const batch of copies) await handWritten(pool, job, batch);
  });
  const [ours] = await timedAsync(1, async () => {
    for (const batch of batches)
      valueOrThrow(await appendedTo(device.job, batch, client.person, unknownContact));
  });
  printMeasured(`${BULK_PULLS} pulls by hand, in batches of ${BATCH}`, [theirs ?? 0]);
  printMeasured(`${BULK_PULLS} pulls in batches of ${BATCH}`, [ours ?? 0], (ours ?? 0) / (theirs ?? 1));
};

/** How long an append takes from before its lock to after its commit, on a job of so many events: more than the lock is held. */
const benchLongJob = async (station: Station): Promise<void> => {
  const { device, client } = station;
  for (let made = 0; made < LONG_JOB; made += BATCH)
    valueOrThrow(await appendedTo(device.job, nextPulls(station, BATCH), client.person, unknownContact));
  const times = await timedAsync(200, async () =>
    valueOrThrow(await appendedTo(device.job, nextPulls(station, 1), client.person, unknownContact)),
  );
  printMeasured(`an append to a job of ${LONG_JOB} events: catching up, locking, committing`, times);
};

/** Appends against transactions written by hand, in one run on one database. */
export const benchAppend = (): Promise<void> =>
  onBenchSite(async ({ owner, people, signedIn }) => {
    const stations: Station[] = [];
    const jobs: string[] = [];
    for (let index = 0; index < 8; index += 1) {
      const client = await signedIn(people[index % people.length] as (typeof people)[number]);
      stations.push({ client, device: await readyJob(client, TERMINALS, TOOL), pulls: 0 });
      jobs.push((await readyJob(client, TERMINALS, TOOL)).job);
    }
    await benchRates(stations, owner, jobs);
    await benchOffered(stations, owner, jobs);
    await benchBatches(stations[0] as Station, owner, jobs[0] as string);
    await benchBulk(stations[1] as Station, owner, jobs[1] as string);
    await benchLongJob(stations[2] as Station);
  });
