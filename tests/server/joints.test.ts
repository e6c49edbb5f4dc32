import { v7 as uuidv7 } from 'uuid';
import { beforeAll, describe, expect, test } from 'vitest';
import { unplacedEvent } from '#core/event/event.ts';
import { lifted } from '#core/event/lifted.ts';
import { valueOrThrow } from '#core/fault.ts';
import { fastenerLines } from '#core/job/fastener-list.ts';
import type { JobPlan } from '#core/job/plan.ts';
import { isKindOfSite, JOINT_KINDS } from '#core/joint/joint-kinds.ts';
import { COLLET_NUT } from '#core/joint/kinds/collet-nut.ts';
import { appendEvents } from '#server/append/append-events.ts';
import { beginJob } from '#server/append/begin-job.ts';
import { inTransaction } from '#server/database/transaction.ts';
import { insertJob } from '#server/queries/jobs.ts';
import { knownParts, partHistory } from '#server/services/part-histories.ts';
import { planJob } from '#server/services/plan-job.ts';
import { rebuildProjections } from '#server/services/rebuild-projections.ts';
import { stepOf } from '../core/job/sample-job.ts';
import { ownSite } from './own-site.ts';
import { happening, newJob, person, stateOf, withPlainCabinet } from './sample-site.ts';

// A database of its own, for it is rebuilt whole.
beforeAll(async () => {
  await ownSite('joints');
  await withPlainCabinet();
});

const COLLETS =
  'position,label,requirement,shank,part\nC-1,holder 1,38 Nm,4 mm,KC-1\nC-2,holder 2,38 Nm,8 mm,KC-2';

const colletJob = async (): Promise<string> => {
  const { lines } = valueOrThrow(fastenerLines(COLLETS));
  const groups = [
    {
      id: 'A',
      title: 'Collets',
      jointKind: 'collet-nut',
      seenFrom: 'from the nose',
      irreplaceable: ['KC-2'],
    },
  ];
  const asset = { code: 'MILL-1', name: 'mill' };
  const planned = await planJob({ ...newJob(), lines, groups, asset }, await person('Tam'));
  return valueOrThrow(planned).job;
};

const inspected = (of: string, isGood: boolean, note = '') =>
  stepOf({
    group: 'A',
    step: 'collet-inspected',
    of,
    afterPass: null,
    result: { kind: 'inspected', isGood, note },
  });

describe('a job of another joint in the ledger', () => {
  test('its plan holds the kind whole, its parts, and the machine', async () => {
    const { plan } = await stateOf(await colletJob());
    expect(plan.groups[0]?.kind).toEqual(COLLET_NUT);
    expect(plan.asset).toMatchObject({ code: 'MILL-1' });
    expect(plan.groups[0]?.parts).toEqual([
      { code: 'KC-1', name: 'collet', isIrreplaceable: false },
      { code: 'KC-2', name: 'collet', isIrreplaceable: true },
    ]);
  });

  test.each([
    { name: 'a kind that nobody has', change: { jointKind: 'no-such-joint' }, code: 'joint-kind-unknown' },
    { name: 'a group that no line names', change: { id: 'B' }, code: 'group-unknown' },
  ])('$name is refused', async ({ change, code }) => {
    const job = newJob();
    const groups = [{ ...job.groups[0], ...change } as (typeof job.groups)[number]];
    expect(await planJob({ ...job, groups }, await person('Tam'))).toMatchObject({ refusal: { code } });
  });

  test('a plan chooses order and passes, and its lines stay in the order they were sent', async () => {
    const { lines } = valueOrThrow(
      fastenerLines('position,label,requirement\nR2,,1 Nm\nR1,,1 Nm\nR4,,1 Nm\nR3,,1 Nm'),
    );
    const share = (of: number) => ({ name: `${of}`, amount: { kind: 'share', share: of } }) as const;
    const plan = async (
      passes: readonly ReturnType<typeof share>[],
      roundsUntilStill: boolean,
      jointKind: string,
    ) =>
      planJob(
        {
          ...newJob(),
          lines,
          groups: [
            {
              id: 'A',
              title: 'Ring',
              jointKind,
              seenFrom: 'from above',
              irreplaceable: [],
              worked: {
                order: 'crosswise',
                passes: [...passes],
                roundsUntilStill,
                passesSource: 'chosen for this job',
              },
            },
          ],
        },
        await person('Tam'),
      );
    const { plan: planned } = await stateOf(
      valueOrThrow(await plan([share(0.5), share(1)], true, 'soft-seat-ring')).job,
    );
    expect(planned.fasteners.map(({ position }) => position)).toEqual(['R2', 'R1', 'R4', 'R3']);
    expect(planned.groups[0]?.kind).toMatchObject({
      order: 'crosswise',
      passes: [share(0.5), share(1)],
      passesSource: 'chosen for this job',
    });
    const refusal = { code: 'passes-impossible' };
    expect(await plan([share(1), share(0.5)], true, 'soft-seat-ring')).toMatchObject({ refusal });
    expect(await plan([share(0.9)], true, 'soft-seat-ring')).toMatchObject({ refusal });
    // Nothing says what moving is of a collet nut.
    expect(await plan([share(1)], true, 'collet-nut')).toMatchObject({ refusal });
  });

  test('a plan with a kind that is not the site’s, word for word, is refused', async () => {
    const { plan } = await stateOf(await colletJob());
    const [group] = plan.groups;
    const forged = {
      ...plan,
      groups: [{ ...group, kind: { ...COLLET_NUT, steps: [] } }],
    } as JobPlan;
    expect(isKindOfSite({ ...COLLET_NUT, steps: [] }, JOINT_KINDS)).toBe(false);
    const tam = await person('Tam');
    const at = { id: uuidv7(), job: uuidv7(), deviceTime: '2026-11-02T08:00:00.000Z', person: tam };
    const result = await inTransaction(
      async (db) => {
        await insertJob(db, at.job, '2026-11-02T08:00:00.000Z');
        return beginJob(db, unplacedEvent(at, { kind: 'job-planned', body: forged }), tam);
      },
      ({ ok }) => ok,
    );
    expect(result).toMatchObject({ ok: false, refusal: { code: 'joint-kind-unknown' } });
  });
});

describe('parts have a history over all jobs', () => {
  test('what was found on one job is there on the next, and the same once rebuilt', async () => {
    const tam = await person('Tam');
    const first = await colletJob();
    const scratched = happening(first, tam, inspected('KC-1', false, 'ring scratch'));
    const fine = happening(first, tam, inspected('KC-2', true));
    expect(valueOrThrow(await appendEvents(first, [scratched, fine], tam)).refused).toBeNull();
    const second = await colletJob();
    const history = await partHistory('KC-1');
    expect(history.entries.map(({ body, job }) => [body.kind, job.id === second])).toEqual(
      expect.arrayContaining([
        ['planned', true],
        ['step', false],
      ]),
    );
    expect(history.entries.find(({ body }) => body.kind === 'step')?.body).toMatchObject({
      isGood: false,
      result: { note: 'ring scratch' },
    });
    expect((await knownParts()).map(({ code }) => code)).toEqual(['KC-1', 'KC-2', 'MILL-1']);
    valueOrThrow(await rebuildProjections());
    expect(await partHistory('KC-1')).toEqual(history);
  });

  test('a code that no job named has an empty history', async () => {
    expect(await partHistory("'; DROP TABLE jobs; --")).toMatchObject({ total: 0, entries: [] });
  });
});

test('a step is placed with what the site makes of it, whatever the device claims', async () => {
  const tam = await person('Tam');
  const job = await colletJob();
  const step = { ...inspected('KC-1', false).body, isGood: true };
  const { placed } = valueOrThrow(
    await appendEvents(job, [happening(job, tam, { kind: 'step-done', body: step })], tam),
  );
  const [event] = placed.map(lifted);
  expect(event?.kind === 'step-done' && event.body.isGood).toBe(false);
});
