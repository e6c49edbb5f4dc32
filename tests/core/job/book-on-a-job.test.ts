import { describe, expect, test } from 'vitest';
import { applied } from '#core/event/apply.ts';
import { valueOrThrow } from '#core/fault.ts';
import type { PlannedRequirement } from '#core/job/plan.ts';
import { fromNewtonMetres } from '#core/quantity/unit.ts';
import type { BookReference } from '#core/spec/book/book-reference.ts';
import { type FromBook, fromLookUp } from '#core/spec/book/from-book.ts';
import { lookUp } from '#core/spec/lookup/look-up.ts';
import { readLookupTable } from '#core/spec/lookup/lookup-table.ts';
import { FLARED_TUBE_NUTS } from '#core/spec/lookup/published/aircraft-practice.ts';
import { NO_CONDITIONS } from '#core/spec/requirement/conditions.ts';
import { readRequirement } from '#core/spec/requirement/read-requirement.ts';
import { rejudgedPull } from '#core/verdict/rejudged-pull.ts';
import { sureVerdict } from '#core/verdict/tightening-verdict.ts';
import { fastenerAt } from '#core/view/bench.ts';
import { targetOrNull } from '#core/view/fastener-target.ts';
import type { JobView } from '#core/view/job-view.ts';
import { nextAction } from '#core/view/next-action.ts';
import { SampleJob, samplePlan, TOOL, taken } from './sample-job.ts';

const REFERENCE: BookReference = {
  kind: 'requirement',
  id: '0190a000-0000-7000-8000-0000000000c1',
  code: 'R-1',
  revision: 1,
  sourceId: '0190a000-0000-7000-8000-0000000000d1',
  source: { title: 'Manual', revision: 'B', place: 'page 3' },
  otherPart: null,
  conditions: NO_CONDITIONS,
  isPartSofter: false,
  decided: null,
};

const required = (text: string, book: Partial<BookReference> = {}): PlannedRequirement => ({
  printed: text,
  readAs: null,
  requirement: valueOrThrow(readRequirement(text, 'N.m')).requirement,
  book: { ...REFERENCE, ...book },
});

const jobWith = (requirement: PlannedRequirement): SampleJob => {
  const job = new SampleJob(['20 to 24 in-lb']);
  const plan = samplePlan(['20 to 24 in-lb']);
  const fasteners = plan.fasteners.map((fastener) => ({ ...fastener, requirement }));
  const event = job.event({ kind: 'job-planned', body: { ...plan, fasteners } });
  valueOrThrow(job.decide(null, event));
  job.state = applied(null, event) as JobView;
  job.events.splice(0, 1, event);
  return job;
};
const limits = (state: JobView) => {
  const fastener = fastenerAt(state, '1');
  const { low, target, high } = (fastener && targetOrNull(state, fastener)) ?? { low: 0, target: 0, high: 0 };
  return [low, target, high].map((torque) => Number(fromNewtonMetres(torque as never, 'lbf.in').toFixed(3)));
};
const code = (result: { ok: boolean; refusal?: unknown }) =>
  (result as { refusal?: { code: string } }).refusal?.code;

describe('run-on torque on the bench', () => {
  const measure = { conditions: { ...NO_CONDITIONS, runOn: { kind: 'to-be-measured' } } } as const;
  const runOn = (text: string) =>
    ({
      kind: 'run-on-measured',
      body: { position: '1', torque: { text, value: Number(text), unit: 'lbf.in' } },
    }) as const;

  test('it is asked for before the pull, and shifts target and acceptance (FAA AC 43.13-1B par. 7-40)', () => {
    const job = jobWith(required('20 to 24 in-lb', measure)).ready();
    // A tool that clicks shows nothing while the nut turns: one that shows torque is asked for first.
    expect(nextAction(job.state, '1')).toMatchObject({
      kind: 'another-tool',
      refusal: { code: 'run-on-needs-showing' },
    });
    const dial = { ...TOOL, id: '0190a000-0000-7000-8000-0000000000a9', code: 'D-1', kind: 'dial' } as const;
    job.happen({ kind: 'tool-chosen', body: { ...taken(dial), isBeside: true } });
    expect(nextAction(job.state, '1')).toMatchObject({
      kind: 'measure-run-on',
      taken: { tool: { code: 'D-1' } },
    });
    job.happen({ kind: 'tool-chosen', body: taken(TOOL) });
    expect(code(job.judge('1'))).toBe('run-on-missing');
    job.happen(runOn('8'));
    expect(limits(job.state)).toEqual([28, 30, 32]);
    expect(nextAction(job.state, '1')).toMatchObject({ kind: 'set-tool', wanted: { setting: 30 } });
    expect(job.pull('1').status('1')).toBe('in');
  });

  test.each([
    // Twice the target of 22 is the limit.
    ['44', undefined],
    ['44.1', 'run-on-too-high'],
  ])('%s lbf·in: %s', (text, expected) => {
    expect(code(jobWith(required('20 to 24 in-lb', measure)).ready().try(runOn(text)))).toBe(expected);
  });

  test('a fastener that is in is not measured again', () => {
    const job = jobWith(required('20 to 24 in-lb')).ready().pull('1');
    expect(code(job.try(runOn('8')))).toBe('already-in');
  });

  test('a printed run-on torque is added without asking', () => {
    const torque = { text: '4', value: 4, unit: 'lbf.in' } as const;
    const job = jobWith(
      required('20 to 24 in-lb', { conditions: { ...NO_CONDITIONS, runOn: { kind: 'measured', torque } } }),
    );
    expect(limits(job.state)).toEqual([24, 26, 28]);
  });
});

describe('a fastener moved to another requirement', () => {
  const moved = (text: string, why = 'the source was revised') =>
    ({
      kind: 'requirement-moved',
      body: { position: '1', requirement: required(text, { revision: 2 }), why },
    }) as const;

  test('what was pulled stays, and the fastener is open again by the new value', () => {
    const job = jobWith(required('20 to 24 in-lb')).ready().pull('1');
    expect(job.status('1')).toBe('in');
    job.happen(moved('26 to 30 in-lb'));
    expect(job.status('1')).toBe('open');
    expect(fastenerAt(job.state, '1')?.pulls).toHaveLength(1);
    expect(limits(job.state)).toEqual([26, 28, 30]);
    expect(job.pull('1').status('1')).toBe('in');
    const withoutClock = (key: string, value: unknown) => (key === 'clock' ? null : value);
    expect(JSON.stringify(job.refolded().fasteners, withoutClock)).toBe(
      JSON.stringify(job.state.fasteners, withoutClock),
    );
  });

  test.each([
    [moved('26 to 30 in-lb', ' '), 'why-missing'],
    [{ ...moved('5 Nm'), body: { ...moved('5 Nm').body, position: '9' } }, 'unknown-position'],
  ])('it is refused: %#', (happening, expected) => {
    expect(code(jobWith(required('20 to 24 in-lb')).try(happening))).toBe(expected);
  });

  test('not once the job is signed', () => {
    const job = jobWith(required('20 to 24 in-lb')).ready().pull('1').signBoth();
    expect(code(job.try(moved('26 to 30 in-lb')))).toBe('job-signed');
  });
});

test('a value made for a harder material does not get onto a job where the site refuses it', () => {
  const plan = samplePlan(['20 to 24 in-lb']);
  const fasteners = plan.fasteners.map((each) => ({
    ...each,
    requirement: required('5 Nm', { isPartSofter: true }),
  }));
  const event = { kind: 'job-planned', body: { ...plan, fasteners } } as const;
  expect(code(new SampleJob().decide(null, event))).toBe('made-for-harder-material');
});

test('a looked-up value carries its unit, its table and its row', () => {
  const kept = { id: REFERENCE.id, revision: 3, place: 'Table 9-2', body: FLARED_TUBE_NUTS.table };
  const source = {
    id: REFERENCE.sourceId,
    title: 'Circular',
    kind: 'circular',
    number: '',
    revision: '1B',
    datedOn: '',
    place: '',
    status: 'current',
    supersededBy: null,
  } as const;
  const result = lookUp(readLookupTable(kept.body, 'N.m'), { keys: ['3/8', '5052-O'], valueColumn: null });
  const taken = fromLookUp(kept, source, result, false) as FromBook;
  expect(taken.torque.printed).toBe('110–130 lbf·in');
  expect(taken.book).toMatchObject({
    kind: 'table',
    code: 'Flared tube nuts',
    revision: 3,
    source: { place: 'Table 9-2: 3/8, 5052-O' },
  });
  // What a record states must be readable from the print alone.
  expect(valueOrThrow(readRequirement(taken.torque.printed, 'N.m')).requirement).toEqual(
    taken.torque.requirement,
  );
});

test('a pull judged again: under other limits, and had the torque been another', () => {
  const pull = new SampleJob().ready().pull('1').state.fasteners[0]?.pulls[0]?.body;
  if (!pull) throw new Error('expected a pull');
  const within = { low: 2 as never, high: 3 as never };
  const rule = { decisionRule: 'simple', guardFactor: 1, verdict: sureVerdict, sureShare: 0.8 } as const;
  expect(rejudgedPull(pull, within, rule).outcome).toBe('in');
  expect(rejudgedPull(pull, within, rule, 3.1 as never).outcome).toBe('high');
  expect(rejudgedPull({ ...pull, method: 'over-shot', torqueNewtonMetres: null }, within, rule).outcome).toBe(
    'high',
  );
  expect(rejudgedPull({ ...pull, method: 'by-feel' }, within, rule).outcome).toBe('by-feel');
});
