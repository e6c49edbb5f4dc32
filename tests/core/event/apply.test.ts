import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { applied, foldOn, jobViewOf } from '#core/event/apply.ts';
import { type LedgerEvent, lifted } from '#core/event/lifted.ts';
import type { JobView } from '#core/view/job-view.ts';
import { goldenRecords } from '../../golden/golden.ts';
import { SampleJob } from '../job/sample-job.ts';

const worked = () => new SampleJob().ready().pullAll().signBoth().chain();
const frozen = <T>(value: T): T => {
  if (value !== null && typeof value === 'object' && !Object.isFrozen(value)) {
    Object.freeze(value);
    for (const each of Object.values(value)) frozen(each);
  }
  return value;
};

describe('what the events of a job add up to', () => {
  const step = (view: JobView | null, event: LedgerEvent) => applied(view, lifted(event));

  test('is the same at once, one by one, and from any place on', () => {
    const all = [
      worked(),
      ...goldenRecords(1).map(({ text }) => JSON.parse(text).events as readonly LedgerEvent[]),
    ];
    for (const events of all) {
      const whole = jobViewOf(events);
      expect(events.reduce<JobView | null>(step, null)).toEqual(whole);
      for (let at = 0; at <= events.length; at += 3)
        expect(jobViewOf(events.slice(at), jobViewOf(events.slice(0, at)))).toEqual(whole);
    }
  });

  test('leaves the view it goes on from as it was, and what it answers stays as it is', () => {
    const events = worked();
    for (let at = 1; at < events.length; at += 1) {
      const before = frozen(jobViewOf(events.slice(0, at)));
      const copy = structuredClone(before?.fasteners);
      const after = jobViewOf(events.slice(at), before);
      expect(before?.fasteners).toEqual(copy);
      const kept = structuredClone(after?.fasteners);
      events.slice(at).reduce<JobView | null>(step, after);
      expect(after?.fasteners).toEqual(kept);
    }
  });

  test('property: cut anywhere into batches, pulls and voids over and over, it is the same, and no batch changes what one before answered', () => {
    const act = fc.record({ position: fc.constantFrom('1', '2', '3'), isVoid: fc.boolean() });
    fc.assert(
      fc.property(
        fc.array(act, { maxLength: 30 }),
        fc.array(fc.integer({ min: 1, max: 7 }), { minLength: 1 }),
        (acts, sizes) => {
          const job = new SampleJob(['20 to 24 in-lb', '20 to 24 in-lb', '20 to 24 in-lb']).ready();
          for (const { position, isVoid } of acts) {
            const { lastPull } = job.state;
            if (!isVoid) job.pull(position);
            else if (lastPull)
              job.happen({ kind: 'pull-voided', body: { pullId: lastPull.eventId, why: 'bit slipped' } });
          }
          const events = job.chain();
          const whole = events.reduce<JobView | null>(step, null);
          let [view, at]: [JobView | null, number] = [null, 0];
          for (let batch = 0; at < events.length; batch += 1) {
            const size = sizes[batch % sizes.length] ?? 1;
            const fold = foldOn(view && frozen(view));
            for (const event of events.slice(at, at + size)) fold.add(lifted(event));
            view = fold.done();
            at += size;
          }
          expect(view).toEqual(whole);
        },
      ),
      { numRuns: 60 },
    );
  });
});
