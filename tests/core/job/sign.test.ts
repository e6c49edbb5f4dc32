import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { jobViewOf } from '#core/event/apply.ts';
import type { PullMethod } from '#core/job/pull.ts';
import { audit } from '#core/ledger/audit.ts';
import type { JobView } from '#core/view/job-view.ts';
import { jobStage } from '#core/view/open-items.ts';
import { INSPECTOR, LEAD, SampleJob, samplePlan, TECHNICIAN } from './sample-job.ts';

const code = (result: { ok: boolean; refusal?: unknown }) =>
  (result as { refusal?: { code: string } }).refusal?.code;
// What the site adds when it places an event is all that an unplaced one lacks.
const withoutClocks = (job: JobView): string =>
  JSON.stringify(job, (key, value) => (key === 'clock' ? null : value));
const finished = () => new SampleJob().ready().pullAll();
const sign = (meaning: 'done' | 'inspected') =>
  ({ kind: 'job-signed', body: { meaning, head: null, madeNoPull: null } }) as const;

describe('signatures', () => {
  test('done, then inspected by a second person', () => {
    const job = finished();
    expect(jobStage(job.state)).toBe('ready-to-sign');
    job.happen(sign('done'), TECHNICIAN);
    expect(jobStage(job.state)).toBe('done');
    job.happen(sign('inspected'), INSPECTOR);
    expect(jobStage(job.state)).toBe('inspected');
    expect(job.state.signatures.map(({ meaning, person }) => [meaning, person.name])).toEqual([
      ['done', 'Tam'],
      ['inspected', 'Ines'],
    ]);
  });

  test('open items hold it back until each is in or has a reason', () => {
    const job = new SampleJob().ready().pull('1').pull('2', 'by-feel');
    expect(job.try(sign('done'))).toMatchObject({ refusal: { code: 'open-items-remain', count: 2 } });
    job.happen({ kind: 'left-open', body: { position: '2', why: 'to be checked with a tool' } });
    job.happen({ kind: 'left-open', body: { position: '3', why: 'spare' } });
    expect(job.try(sign('done')).ok).toBe(true);
  });

  test.each([
    {
      name: 'inspected before done',
      job: finished,
      by: INSPECTOR,
      meaning: 'inspected',
      expected: 'not-signed-done',
    },
    {
      name: 'inspected by who did it',
      job: () => {
        const job = finished();
        job.happen(sign('done'), LEAD);
        return job;
      },
      by: LEAD,
      meaning: 'inspected',
      expected: 'second-person-needed',
    },
    {
      name: 'inspected by a technician',
      job: () => {
        const job = finished();
        job.happen(sign('done'), LEAD);
        return job;
      },
      by: TECHNICIAN,
      meaning: 'inspected',
      expected: 'role-may-not',
    },
    {
      name: 'done twice',
      job: () => {
        const job = finished();
        job.happen(sign('done'));
        return job;
      },
      by: INSPECTOR,
      meaning: 'done',
      expected: 'signed-already',
    },
  ] as const)('$name: $expected', ({ job, by, meaning, expected }) => {
    expect(code(job().try(sign(meaning), by))).toBe(expected);
  });

  test('a lead may inspect too', () => {
    const job = finished();
    job.happen(sign('done'));
    expect(job.try(sign('inspected'), LEAD).ok).toBe(true);
  });

  test('nothing is added to a signed job until an inspector or lead opens it again', () => {
    const job = finished().signBoth();
    expect(code(job.judge('1'))).toBe('job-signed');
    expect(code(job.try({ kind: 'witness-marked', body: { position: '1' } }))).toBe('job-signed');
    expect(code(job.try({ kind: 'job-reopened', body: { why: 'loose' } }, TECHNICIAN))).toBe('role-may-not');
    expect(code(job.try({ kind: 'job-reopened', body: { why: '' } }, INSPECTOR))).toBe('why-missing');
    job.happen({ kind: 'job-reopened', body: { why: 'loose' } }, INSPECTOR);
    expect(job.state.signatures).toEqual([]);
    expect(job.judge('3').ok).toBe(true);
  });

  test('a job nobody signed is not opened again', () => {
    expect(code(finished().try({ kind: 'job-reopened', body: { why: 'x' } }, LEAD))).toBe('not-signed-done');
  });
});

describe('what a job’s events add up to', () => {
  test('begins with a plan and has one', () => {
    const job = new SampleJob();
    expect(code(job.decide(null, sign('done')))).toBe('job-not-planned');
    expect(code(job.try({ kind: 'job-planned', body: samplePlan(['22 in-lb']) }))).toBe(
      'job-already-planned',
    );
    expect(jobViewOf([])).toBeNull();
  });

  test('a plan with a position twice, or with an angle, is refused', () => {
    const plan = samplePlan(['22 in-lb', '22 in-lb']);
    const twice = {
      ...plan,
      fasteners: plan.fasteners.map((fastener) => ({ ...fastener, position: 'same' })),
    };
    const job = new SampleJob();
    expect(code(job.decide(null, { kind: 'job-planned', body: twice }))).toBe('position-repeated');
  });

  test('the audit names the event that can’t have happened, and goes on', () => {
    const job = new SampleJob().ready();
    job.events.push(job.event(sign('done')), job.event({ kind: 'witness-marked', body: { position: '1' } }));
    expect(audit(job.chain())).toMatchObject([
      { sequence: 4, code: 'event-impossible', refusal: { code: 'open-items-remain' } },
      { sequence: 5, code: 'event-impossible', refusal: { code: 'job-signed' } },
    ]);
  });

  test('property: folding all at once is folding step by step, and a refused event changes nothing', () => {
    const method = fc.constantFrom<PullMethod>('click', 'over-shot', 'by-feel', 'reading');
    const step = fc.record({
      position: fc.constantFrom('1', '2', '3'),
      method,
      reading: fc.integer({ min: 150, max: 290 }),
    });
    fc.assert(
      fc.property(fc.array(step, { maxLength: 25 }), (steps) => {
        const job = new SampleJob().ready();
        for (const { position, method: how, reading } of steps) {
          const before = JSON.stringify(job.state);
          if (how !== 'by-feel') job.setFor(position);
          const judged = job.judge(position, how, String(reading / 10));
          if (judged.ok) job.happen({ kind: 'pull-made', body: judged.value });
          else if (how === 'by-feel') expect(JSON.stringify(job.state)).toBe(before);
        }
        expect(withoutClocks(job.refolded())).toBe(withoutClocks(job.state));
      }),
      { numRuns: 40 },
    );
  });
});
