import { describe, expect, test } from 'vitest';
import { valueOrThrow } from '#core/fault.ts';
import { fastenerLines, readFastenerLines } from '#core/job/fastener-list.ts';
import { takingHalf } from '#core/job/moved-requirement.ts';
import type { PlannedFastener } from '#core/job/plan.ts';
import { CONTROL_CABINET } from '#core/joint/kinds/control-cabinet.ts';
import { jobStatement3 } from '#core/ledger/statement-3.ts';
import { NO_CONDITIONS } from '#core/spec/requirement/conditions.ts';
import { DEFAULT_SCHOOLS } from '#core/target/schools.ts';
import { fastenerAt } from '#core/view/bench.ts';
import { targetOrNull } from '#core/view/fastener-target.ts';
import { overloads } from '#core/view/overloads.ts';
import { SampleJob, samplePlan } from './sample-job.ts';
import { bookSaying } from './sample-joints.ts';

const asking = (propertyClass: '12.9' | '8.8') =>
  bookSaying({ conditions: { ...NO_CONDITIONS, propertyClass } });

const planWith = (part: Partial<PlannedFastener>) => {
  const plan = samplePlan(['20 to 24 in-lb', '20 to 24 in-lb']);
  const [first, second] = plan.fasteners as [PlannedFastener, PlannedFastener];
  return { ...plan, fasteners: [{ ...first, ...part }, second] };
};
const first = samplePlan(['20 to 24 in-lb']).fasteners[0] as PlannedFastener;
const askedOf = (propertyClass: '12.9' | '8.8') => ({
  requirement: { ...first.requirement, book: asking(propertyClass) },
});

describe('the class of the screw in hand', () => {
  test.each([
    ['12.9', '8.8', 'class-not-met'],
    ['12.9', '12.9', undefined],
    ['8.8', '12.9', undefined],
    ['8.8', 'A2-70', 'class-not-met'],
  ] as const)('%s asked, %s in hand: %s', (asked, propertyClass, code) => {
    const planned = { kind: 'job-planned', body: planWith({ ...askedOf(asked), propertyClass }) } as const;
    const decided = new SampleJob().decide(null, planned);
    expect(decided.ok ? undefined : decided.refusal.code).toBe(code);
  });

  test('a fastener is not moved to a requirement that asks for more than is in hand', () => {
    const job = new SampleJob(planWith({ ...askedOf('8.8'), propertyClass: '8.8' }));
    const moved = (asked: '12.9' | '8.8') =>
      job.try({
        kind: 'requirement-moved',
        body: { position: '1', requirement: askedOf(asked).requirement, why: 'revised' },
      });
    expect(moved('12.9')).toMatchObject({ refusal: { code: 'class-not-met', position: '1' } });
    expect(moved('8.8')).toMatchObject({ ok: true });
  });
});

describe('a list that says what is in hand', () => {
  const read = (cells: string, book = asking('12.9')) => {
    const text = `position,label,requirement,property_class,load_a,rated_a\nJ1,jaw,20 to 24 in-lb,${cells}`;
    const lines = valueOrThrow(fastenerLines(text)).lines.map((line) => ({ ...line, book }));
    const [line] = readFastenerLines(lines, {
      kindOf: () => CONTROL_CABINET,
      siteUnit: 'N.m',
      schools: DEFAULT_SCHOOLS,
    });
    return line?.fastener ?? line?.findings.map(({ column, refusal }) => [column, refusal.code]);
  };

  test.each([
    ['12.9,42 A,32', { propertyClass: '12.9', loadAmperes: 42, ratedAmperes: 32 }],
    ['class 12.9,"7,5",8 amps', { loadAmperes: 7.5, ratedAmperes: 8 }],
    ['8.8,,', [['property_class', 'class-not-met']]],
    ['88,,', [['property_class', 'unknown-choice']]],
    [',0,32', [['load_a', 'amperes-out-of-bounds']]],
    [',100000,100001', [['rated_a', 'amperes-out-of-bounds']]],
    [',a lot,32', [['load_a', 'not-a-number']]],
    [',"1,250",32', [['load_a', 'ambiguous-number']]],
  ])('%s', (cells, expected) => {
    expect(read(cells)).toMatchObject(expected as object);
  });

  test('what it does not say is left out, as in plans made before there was a place for it', () => {
    expect(Object.keys(read(',,') as object)).not.toContain('loadAmperes');
    expect(Object.keys(read(',,') as object)).not.toContain('propertyClass');
  });
});

describe('a load above what its fastener is rated for', () => {
  const job = (loadAmperes?: number, ratedAmperes?: number) =>
    new SampleJob(planWith({ loadAmperes, ratedAmperes })).state;

  test.each([
    [32, 32, 0],
    [32.1, 32, 2],
    [64, 32, 2],
    [64.5, 32, 3],
    [undefined, 32, 0],
    [40, undefined, 0],
  ])('%s A on %s A: %i joints', (load, rated, jointsNeeded) => {
    const said = overloads(job(load, rated)).map(({ standing }) => standing.jointsNeeded);
    expect(said).toEqual(jointsNeeded === 0 ? [] : [jointsNeeded]);
  });

  test('those of one load and one rating are said together', () => {
    const plan = planWith({ loadAmperes: 40, ratedAmperes: 32 });
    const fasteners = plan.fasteners.map((each) => ({ ...each, loadAmperes: 40, ratedAmperes: 32 }));
    expect(overloads(new SampleJob({ ...plan, fasteners }).state)).toMatchObject([{ positions: ['1', '2'] }]);
  });

  test('the record says what was known of it, and nothing where nothing was', () => {
    const fasteners = jobStatement3(job(42, 32), [], []).fasteners;
    expect(fasteners[0]).toMatchObject({ loadAmperes: 42, ratedAmperes: 32 });
    expect(Object.keys(fasteners[1] ?? {})).not.toContain('loadAmperes');
  });
});

test('the lower half is taken for a fastener by moving it, and given back the same way', () => {
  const job = new SampleJob();
  const limits = () => {
    const fastener = fastenerAt(job.state, '1');
    const target = fastener && targetOrNull(job.state, fastener);
    return target ? Math.round((target.high / target.low - 1) * 1000) / 1000 : null;
  };
  const move = (isLower: boolean) =>
    job.happen({
      kind: 'requirement-moved',
      body: {
        position: '1',
        requirement: takingHalf(
          fastenerAt(job.state, '1')?.planned.requirement ?? first.requirement,
          isLower,
        ),
        why: 'there is no other',
      },
    });
  expect(limits()).toBe(0.2);
  move(true);
  expect(limits()).toBe(0.1);
  expect(job.refolded()).toEqual(job.state);
  move(false);
  expect(limits()).toBe(0.2);
});
