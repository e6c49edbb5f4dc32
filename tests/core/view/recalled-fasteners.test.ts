import { describe, expect, test } from 'vitest';
import { valueOrThrow } from '#core/fault.ts';
import { takingHalf } from '#core/job/moved-requirement.ts';
import type { JobPlan, PlannedFastener } from '#core/job/plan.ts';
import { toNewtonMetres } from '#core/quantity/unit.ts';
import type { FromBook } from '#core/spec/book/from-book.ts';
import { NO_CONDITIONS } from '#core/spec/requirement/conditions.ts';
import { readRequirement } from '#core/spec/requirement/read-requirement.ts';
import type { Schools } from '#core/target/schools.ts';
import { type ChangedValue, valueRecall } from '#core/view/recalled-fasteners.ts';
import { SampleJob, samplePlan } from '../job/sample-job.ts';
import { bookSaying } from '../job/sample-joints.ts';

const BOOK = bookSaying({});
const printed = '20 to 24 in-lb';

/** A plan whose fasteners all rest on revision 1 of a requirement of the book. */
const planOn = (count = 3, part: Partial<PlannedFastener> = {}, schools: Partial<Schools> = {}): JobPlan => {
  const plan = samplePlan(Array(count).fill(printed), schools);
  return {
    ...plan,
    fasteners: plan.fasteners.map((each) => ({
      ...each,
      ...part,
      requirement: { ...each.requirement, ...part.requirement, book: BOOK },
    })),
  };
};

const saying = (text: string, book = BOOK): FromBook => ({
  torque: {
    printed: text,
    readAs: null,
    requirement: valueOrThrow(readRequirement(text, 'N.m')).requirement,
  },
  book: { ...book, revision: 2 },
});

const changed = (now: FromBook | null, part: Partial<ChangedValue> = {}): ChangedValue => ({
  id: BOOK.id,
  revision: 2,
  isWithdrawn: false,
  now: () => now,
  ...part,
});

const outcomes = (job: SampleJob, value: ChangedValue) =>
  valueRecall(job.state, value).recalled.map(({ position, was, would }) => `${position} ${was} ${would}`);

// Each is clicked at 22 lbf·in, the middle of 20 to 24.
const pulled = (plan = planOn()) => new SampleJob(plan).ready().pull('1').pull('2');

describe('what was pulled to a value that was corrected', () => {
  test.each([
    // 22 is inside 21 to 24 and far enough from either limit.
    ['18 to 26 in-lb', []],
    ['16 to 19 in-lb', ['1 in high', '2 in high']],
    ['26 to 30 in-lb', ['1 in low', '2 in low']],
    // At the limit it is inside, and as likely outside: less sure than the site asks.
    ['22 to 30 in-lb', ['1 in too-close', '2 in too-close']],
    ['22.1 to 30 in-lb', ['1 in low', '2 in low']],
    ['14 to 22 in-lb', ['1 in too-close', '2 in too-close']],
  ])('is judged again by %s', (now, expected) => {
    expect(outcomes(pulled(), changed(saying(now)))).toEqual(expected);
  });

  test('how far outside is in percent of the nearer limit: 22 against a maximum of 20 is 10 %', () => {
    const { recalled, pulled: count } = valueRecall(pulled().state, changed(saying('16 to 20 in-lb')));
    expect(count).toBe(2);
    expect(recalled[0]?.outsidePercent).toBeCloseTo(10, 4);
    expect(recalled[0]?.highNewtonMetres).toBeCloseTo(toNewtonMetres(20, 'lbf.in'), 9);
  });

  test('signed jobs too, and their signatures stay', () => {
    const job = pulled(planOn(2)).signBoth();
    expect(outcomes(job, changed(saying('16 to 19 in-lb')))).toEqual(['1 in high', '2 in high']);
    expect(job.state.signatures).toHaveLength(2);
  });

  test('what was not pulled, was loosened or voided, or was planned by the newest revision is not in question', () => {
    const job = pulled();
    job.happen({ kind: 'fastener-loosened', body: { position: '1' } });
    const pullId = job.state.fasteners[1]?.pulls[0]?.eventId ?? '';
    job.happen({ kind: 'pull-voided', body: { pullId, why: 'wrong one' } });
    expect(valueRecall(job.state, changed(saying('16 to 19 in-lb'))).pulled).toBe(0);
    expect(valueRecall(pulled().state, changed(saying('16 to 19 in-lb'), { revision: 1 })).pulled).toBe(0);
    const another = changed(saying('16 to 19 in-lb'), { id: '0190a000-0000-7000-8000-0000000000ff' });
    expect(valueRecall(pulled().state, another).pulled).toBe(0);
  });

  test('a pull by feel is no more than that by any value', () => {
    const job = new SampleJob(planOn(1)).ready().pull('1', 'by-feel');
    expect(outcomes(job, changed(saying('18 to 26 in-lb')))).toEqual(['1 by-feel by-feel']);
  });

  test('each is judged with its own run-on torque and with as much of the range as it took', () => {
    const half = planOn(1);
    const first = half.fasteners[0] as PlannedFastener;
    const lower = { ...half, fasteners: [{ ...first, requirement: takingHalf(first.requirement, true) }] };
    // The lower half of 20 to 24 is clicked at 21; of 18 to 22 only 18 to 20 is taken.
    const job = new SampleJob(lower).ready().pull('1');
    expect(outcomes(job, changed(saying('18 to 22 in-lb')))).toEqual(['1 in high']);
  });

  test('a screw that is not of the class asked now does not conform, whatever its torque', () => {
    const asking = bookSaying({ conditions: { ...NO_CONDITIONS, propertyClass: '12.9' } });
    const job = new SampleJob(planOn(1, { propertyClass: '8.8' })).ready().pull('1');
    expect(outcomes(job, changed(saying('18 to 26 in-lb', asking)))).toEqual(['1 in no-verdict']);
  });

  test('the job’s own school of how sure a pull must be decides', () => {
    // 22 against 20.8 to 30 with ±6 % of 22: u = 0.76, p = Φ(1.58) = 94 %.
    const sure = (sureEnough: 'eighty-percent' | 'ninety-five-percent') =>
      outcomes(pulled(planOn(2, {}, { sureEnough })), changed(saying('20.8 to 40 in-lb')));
    expect(sure('eighty-percent')).toEqual([]);
    expect(sure('ninety-five-percent').at(0)).toContain('too-close');
  });
});

describe('what was pulled to a value that was withdrawn', () => {
  test('is in question at every revision; nothing can be said where nothing is in force', () => {
    const value = changed(null, { revision: 1, isWithdrawn: true });
    const { recalled } = valueRecall(pulled().state, value);
    expect(recalled).toMatchObject([
      { position: '1', was: 'in', would: 'no-verdict', lowNewtonMetres: null, outsidePercent: null },
      { position: '2', was: 'in', would: 'no-verdict' },
    ]);
  });

  test('is judged by what is in force for the same part', () => {
    const value = changed(saying('16 to 19 in-lb'), { revision: 1, isWithdrawn: true });
    expect(outcomes(pulled(), value)).toEqual(['1 in high', '2 in high']);
  });

  test('finger tight that has a torque now was never pulled to it', () => {
    const plan = planOn(1);
    const first = plan.fasteners[0] as PlannedFastener;
    const requirement = {
      ...first.requirement,
      printed: 'finger tight',
      requirement: { kind: 'finger-tight' as const },
    };
    const job = new SampleJob({ ...plan, fasteners: [{ ...first, requirement }] }).ready();
    job.happen({ kind: 'finger-tightened', body: { position: '1' } });
    expect(outcomes(job, changed(saying('2 Nm')))).toEqual(['1 finger-tight no-verdict']);
    expect(outcomes(job, changed(saying('finger tight')))).toEqual([]);
  });
});
