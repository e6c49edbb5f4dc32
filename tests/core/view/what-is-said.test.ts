import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { assumptionsOf } from '#core/view/assumptions.ts';
import { comingPositions } from '#core/view/open-items.ts';
import { pullSummary } from '#core/view/pull-summary.ts';
import { settingCount } from '#core/view/setting-count.ts';
import { sameSettingFirst } from '#core/view/setting-order.ts';
import { assumptionWords } from '#wire/words/assumption.ts';
import { SampleJob, samplePlan } from '../job/sample-job.ts';

describe('what was assumed on a job', () => {
  test('a drive that the list does not name, and limits that the source does not print', () => {
    const job = new SampleJob(['20 to 24 in-lb', 'max 32 in-lb', '20 in-lb']).ready();
    const found = assumptionsOf(job.state);
    expect(found.map(({ id, positions }) => [id, positions])).toEqual([
      ['assumed-drive', ['1', '2', '3']],
      ['assumed-acceptance', ['2', '3']],
    ]);
    const [drive, limits] = found.map((each) => assumptionWords(each, 3));
    expect(drive?.title).toBe('Drive assumed: slot');
    expect(drive?.detail).toContain('no drive for any of the 3 fasteners');
    expect(limits?.detail).toContain('2, 3');
  });

  test('positions are named as far as there is room, and in words where it is all of them', () => {
    const detail = (count: number, total: number): string =>
      assumptionWords(
        {
          id: 'assumed-drive',
          what: ['slot'],
          positions: Array.from({ length: count }, (_, index) => `X3-${index + 1}`),
        },
        total,
      ).detail;
    expect(detail(1, 1)).toContain('no drive for X3-1.');
    expect(detail(2, 2)).toContain('no drive for either fastener.');
    expect(detail(24, 24)).toContain('no drive for any of the 24 fasteners.');
    expect(detail(7, 24)).toContain('X3-6, X3-7.');
    expect(detail(8, 24)).toContain('X3-5, X3-6 and 2 more.');
  });

  test('nothing where the list names the drives and the source prints both limits', () => {
    const plan = samplePlan(['20 to 24 in-lb']);
    const fasteners = plan.fasteners.map((each) => ({ ...each, driveAssumed: false }));
    expect(assumptionsOf(new SampleJob({ ...plan, fasteners }).ready().state)).toEqual([]);
  });
});

describe('settings on the way', () => {
  const alternating = ['20 to 24 in-lb', '13 to 17 in-lb', '20 to 24 in-lb', '13 to 17 in-lb'];

  test('in reading order four settings for two values; the same setting first, two', () => {
    const { state } = new SampleJob(alternating).ready();
    const left = comingPositions(state, null);
    expect(settingCount(state, left)).toEqual({ settings: 4, different: 2, tools: 1 });
    expect(sameSettingFirst(state, left)).toEqual(['1', '3', '2', '4']);
    expect(settingCount(state, sameSettingFirst(state, left)).settings).toBe(2);
  });

  test('what the tool is set to for the fastener in hand goes on first', () => {
    const { state } = new SampleJob(alternating).ready();
    expect(sameSettingFirst(state, ['1', '3', '4'], '2')).toEqual(['4', '1', '3']);
  });

  test('property: the same positions, and never more settings than before', () => {
    const print = fc.constantFrom('20 to 24 in-lb', '13 to 17 in-lb', '28 to 32 in-lb');
    fc.assert(
      fc.property(fc.array(print, { minLength: 1, maxLength: 9 }), (prints) => {
        const { state } = new SampleJob(prints).ready();
        const left = comingPositions(state, null);
        const ordered = sameSettingFirst(state, left);
        expect([...ordered].sort()).toEqual([...left].sort());
        const [before, after] = [settingCount(state, left), settingCount(state, ordered)];
        expect(after.settings).toBeLessThanOrEqual(before.settings);
        expect(after.settings).toBe(after.different);
      }),
      { numRuns: 40 },
    );
  });
});

test('what is signed: pulls, those pulled again, voided ones, and each tool with how many it made', () => {
  const job = new SampleJob(['20 to 24 in-lb', '20 to 24 in-lb'])
    .ready()
    .pull('1')
    .pull('2', 'reading', '12');
  const low = job.state.fasteners[1]?.pulls[0]?.eventId ?? '';
  job.pull('2');
  expect(pullSummary(job.state)).toMatchObject({ pulls: 3, voided: 0, rePulled: ['2'], stood: [] });
  job.happen({ kind: 'pull-voided', body: { pullId: low, why: 'mistyped' } });
  const summary = pullSummary(job.state);
  expect(summary).toMatchObject({ pulls: 2, voided: 1, rePulled: [] });
  expect(summary.tools.map(({ taken, pulls }) => [taken.tool.code, pulls])).toEqual([['T-1', 2]]);
  expect([...summary.byStatus]).toEqual([['in', 2]]);
});
