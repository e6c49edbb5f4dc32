import { describe, expect, test } from 'vitest';
import {
  awaitedPulls,
  type MemoryChoice,
  matchMemory,
  type RecordedReadings,
  recordedReadings,
  unmetPulls,
} from '#core/command/match-memory.ts';
import type { MemoryReading } from '#core/device/memory-table.ts';
import { SAMPLE_CABINET, SampleJob } from '../job/sample-job.ts';
import { LARGE, planOf, sampleGroup } from '../job/sample-joints.ts';

const ELECTRONIC = {
  ...LARGE,
  kind: 'electronic',
  scale: { ...LARGE.scale, form: 'display', graduation: 0.01 },
} as const;
const NONE: RecordedReadings = { kept: [], made: [] };
const bolts = (count = 4, passes?: (typeof SAMPLE_CABINET)['passes']) => {
  const kind = { ...SAMPLE_CABINET, steps: SAMPLE_CABINET.steps.slice(0, 1), ...(passes ? { passes } : {}) };
  const plan = planOf(
    sampleGroup(
      'A',
      kind,
      Array.from({ length: count }, () => ({ printed: '20 to 24 Nm' })),
    ),
  );
  return new SampleJob(plan).ready(ELECTRONIC);
};
const reading = (value: number, at: number, more: Partial<MemoryReading> = {}): MemoryReading => ({
  line: at + 2,
  at: at * 10_000,
  number: at,
  text: String(value),
  value,
  unit: 'N.m',
  angleDegrees: null,
  ...more,
});
const matched = (
  values: readonly number[],
  choices: readonly (readonly [number, MemoryChoice])[] = [],
  job = bolts(),
  recorded: RecordedReadings = NONE,
  more: Partial<MemoryReading> = {},
) => {
  const awaited = awaitedPulls(job.state, ELECTRONIC);
  const rows = matchMemory({
    readings: values.map((value, at) => reading(value, at, more)),
    awaited,
    unit: 'N.m',
    since: 0,
    until: 1e9,
    recorded,
    choices: new Map(choices),
  });
  const told = rows.map(({ match }) =>
    'awaited' in match ? `${match.awaited.position}/${match.awaited.pass} ${match.stands}` : match.kind,
  );
  return { told, unmet: unmetPulls(awaited, structuredClone(rows)).map(({ position }) => position) };
};

describe('a memory matched to the fasteners of a job', () => {
  test('by time and in the order of the work', () => {
    expect(matched([22, 21, 23, 24])).toEqual({ told: ['1/1 in', '2/1 in', '3/1 in', '4/1 in'], unmet: [] });
  });

  test('after a low one the same fastener comes again; after a high one the next', () => {
    expect(matched([15, 22, 30, 22]).told).toEqual(['1/1 low', '1/1 in', '2/1 high', '3/1 in']);
  });

  test('what is like no fastener is left for a person to look at, and takes no place', () => {
    expect(matched([22, 2, 110, 22])).toEqual({
      told: ['1/1 in', 'unlike', 'unlike', '2/1 in'],
      unmet: ['3', '4'],
    });
  });

  test('a person says otherwise, and all that follow move', () => {
    expect(matched([22, 21, 23], [[3, 'leave-out']]).told).toEqual(['1/1 in', 'left-out', '2/1 in']);
    expect(matched([22, 21, 23], [[3, 'again']]).told).toEqual(['1/1 in', '1/1 in', '2/1 in']);
    expect(matched([15, 22, 22], [[3, 'next']]).told).toEqual(['1/1 low', '2/1 in', '3/1 in']);
    expect(matched([2, 22], [[2, 'next']]).told).toEqual(['1/1 low', '1/1 in']);
  });

  test('passes follow each other, the first for all of them', () => {
    const half = [
      { name: 'half', amount: { kind: 'share', share: 0.5 } },
      { name: 'full', amount: { kind: 'share', share: 1 } },
    ] as const;
    expect(matched([11, 11, 22, 22], [], bolts(2, half)).told).toEqual([
      '1/1 in',
      '2/1 in',
      '1/2 in',
      '2/2 in',
    ]);
  });

  test('what is pulled already, in the record already, of another time, another unit, or too many is none of it', () => {
    const job = bolts();
    job.pull('1', 'reading', '22');
    expect(matched([22, 22], [], job).told).toEqual(['2/1 in', '3/1 in']);
    expect(
      matched([22, 22], [], bolts(), { ...NONE, kept: [{ at: 1, number: 0, text: '22' }] }).told,
    ).toEqual(['recorded', '1/1 in']);
    expect(matched([22, 22, 22], [], bolts(2)).told).toEqual(['1/1 in', '2/1 in', 'over']);
    const rows = matchMemory({
      readings: [reading(22, 0), reading(195, 5, { unit: 'lbf.in' }), reading(22, 9)],
      awaited: awaitedPulls(bolts().state, ELECTRONIC),
      unit: 'N.m',
      since: 10_000,
      until: 80_000,
      recorded: NONE,
      choices: new Map(),
    });
    expect(rows.map(({ match }) => match.kind)).toEqual(['outside', 'other-unit', 'outside']);
  });

  test('what was heard or typed as it happened is in the memory too, and is no pull of the next fastener', () => {
    const job = bolts();
    job.pull('1', 'reading', '22');
    job.pull('2', 'reading', '21.5');
    const recorded = recordedReadings(job.state, ELECTRONIC, true);
    const begin = recorded.made[0]?.at ?? 0;
    const rows = matchMemory({
      readings: [22, 21.5, 22, 23].map((value, at) => reading(value, at, { at: begin + 60_000 + at })),
      awaited: awaitedPulls(job.state, ELECTRONIC),
      unit: 'N.m',
      since: 0,
      until: Number.MAX_SAFE_INTEGER,
      recorded,
      choices: new Map(),
    });
    expect(rows.map(({ match }) => ('awaited' in match ? match.awaited.position : match.kind))).toEqual([
      'recorded',
      'recorded',
      '3',
      '4',
    ]);
  });

  test('each pull of the record answers for one reading: three of one minute of which two are recorded leave one', () => {
    const minute = { at: 60_000 };
    const kept = [0, 1].map((number) => ({ ...minute, number, text: '22' }));
    const told = (of: typeof kept) => matched([22, 22, 23], [], bolts(), { ...NONE, kept: of }, minute).told;
    expect(told(kept)).toEqual(['recorded', 'recorded', '1/1 in']);
    expect(told(kept.map((each) => ({ ...each, at: 5 })))).toEqual(['recorded', 'recorded', '1/1 in']);
    expect(told(kept.map((each) => ({ ...each, number: 9 })))).toEqual(['recorded', 'recorded', '1/1 in']);
  });

  test('a memory that was recorded is known by its times, and by its numbers where it has any', () => {
    const job = bolts();
    job.setFor('1');
    const judged = job.judge('1', 'reading', '22');
    if (!judged.ok) throw new Error(judged.refusal.code);
    const device = { curve: null, number: 50, readAt: '2026-11-20T08:00:00.000Z', serial: ELECTRONIC.serial };
    job.happen({ kind: 'pull-made', body: { ...judged.value, device } });
    const at = Date.UTC(2026, 10, 20, 8);
    expect(recordedReadings(job.state, ELECTRONIC, true).kept).toEqual([{ at, number: 50, text: '22' }]);
    expect(recordedReadings(job.state, ELECTRONIC, false).kept).toEqual([{ at, number: null, text: '22' }]);
  });
});
