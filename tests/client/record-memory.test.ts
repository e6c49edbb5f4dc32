import { expect, test } from 'vitest';
import { keepMapping, keptMapping } from '#client/device/memory-mappings.ts';
import { recordMemory } from '#client/job/record-memory.ts';
import { awaitedPulls, type MatchedReading } from '#core/command/match-memory.ts';
import { suggestedMapping } from '#core/device/memory-table.ts';
import type { JobHappening } from '#core/event/event.ts';
import { audit } from '#core/ledger/audit.ts';
import { accepted } from '#core/result.ts';
import { fastenerAt } from '#core/view/bench.ts';
import { SAMPLE_CABINET, SampleJob } from '../core/job/sample-job.ts';
import { LARGE, planOf, sampleGroup } from '../core/job/sample-joints.ts';
import { inABrowser } from './browser.ts';

inABrowser();

const ELECTRONIC = {
  ...LARGE,
  kind: 'electronic',
  scale: { ...LARGE.scale, form: 'display', graduation: 0.01 },
} as const;
const sample = (printed: readonly string[]) => {
  const kind = { ...SAMPLE_CABINET, steps: SAMPLE_CABINET.steps.slice(0, 1) };
  return new SampleJob(
    planOf(
      sampleGroup(
        'A',
        kind,
        printed.map((each) => ({ printed: each })),
      ),
    ),
  ).ready(ELECTRONIC);
};
/** Each awaited pull with what it reads. */
const read = (
  job: SampleJob,
  values: readonly number[],
  angle: number | null = null,
): readonly MatchedReading[] =>
  awaitedPulls(job.state, ELECTRONIC).map((awaited, at) => ({
    reading: {
      line: at + 2,
      at: 1_700_000_000_000 + at,
      number: at + 1,
      text: String(values[at]),
      value: values[at] ?? 0,
      unit: 'N.m',
      angleDegrees: angle,
    },
    match: { kind: 'in-order', awaited, stands: 'in' },
  }));
const record = (job: SampleJob, matched: readonly MatchedReading[]) => {
  const seen: number[] = [];
  const store = {
    snapshot: () => ({ view: job.state, waiting: 0, settling: 0, storageProblem: null }) as never,
    happen: (happening: JobHappening) => {
      const tried = job.try(happening);
      return tried.ok ? accepted(job.happen(happening)) : tried;
    },
  };
  const onProgress = (done: number) => void seen.push(done);
  return recordMemory({ job: store, tool: ELECTRONIC, matched, onProgress, isOver: () => false }).then(
    (came) => ({ ...came, seen }),
  );
};

test('every matched reading is a pull with its own verdict, the number and the time that the tool kept', async () => {
  const job = sample(Array.from({ length: 100 }, () => '20 to 24 Nm'));
  const came = await record(
    job,
    read(
      job,
      Array.from({ length: 100 }, (_, at) => (at === 50 ? 18 : 22)),
    ),
  );
  expect(came).toMatchObject({ recorded: 100, stopped: null, seen: [40, 80, 100] });
  expect(job.state.fasteners.filter(({ status }) => status === 'in')).toHaveLength(99);
  expect(fastenerAt(job.state, '51')?.status).toBe('low');
  expect(fastenerAt(job.state, '1')?.pulls[0]?.body).toMatchObject({
    method: 'reading',
    device: { serial: ELECTRONIC.serial, number: 1, readAt: '2023-11-14T22:13:20.000Z', curve: null },
  });
  expect(audit(job.chain())).toEqual([]);
});

test('the angle that it kept is recorded after its torque', async () => {
  const job = sample(['20 Nm + 90°']);
  expect(await record(job, read(job, [20], 91.26))).toMatchObject({ recorded: 1, stopped: null });
  expect(fastenerAt(job.state, '1')).toMatchObject({
    status: 'in',
    turns: [{ turned: { text: '91.3' }, method: 'live' }],
  });
});

test('it stops where the job refuses one, and what was recorded stays', async () => {
  const job = sample(['20 to 24 Nm', '20 to 24 Nm', '20 to 24 Nm']);
  const matched = read(job, [22, 5_000, 22]);
  expect(await record(job, matched)).toMatchObject({
    recorded: 1,
    stopped: { line: 3, position: '2', refusal: { code: 'reading-out-of-bounds' } },
  });
  expect(job.state.fasteners.map(({ status }) => status)).toEqual(['in', 'open', 'open']);
});

test('what a model’s columns were said to be is kept for its next memory, and not for another’s', () => {
  const table = { header: ['time', 'torque'], rows: [['2026-11-20 08:00:00', '2']], separator: ',' };
  const mapping = { ...suggestedMapping(table, 480), unit: 'cN.m' } as const;
  expect(keptMapping(table)).toBeNull();
  keepMapping(table, mapping);
  expect(keptMapping(table)).toEqual(mapping);
  expect(keptMapping({ ...table, header: ['time', 'peak'] })).toBeNull();
  localStorage.setItem('jentik-memory time|torque', '{"time":5}');
  expect(keptMapping(table)).toBeNull();
});
