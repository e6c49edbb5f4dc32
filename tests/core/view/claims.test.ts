import { describe, expect, test } from 'vitest';
import { applied } from '#core/event/apply.ts';
import type { JobHappening } from '#core/event/event.ts';
import type { Person } from '#core/people/person.ts';
import { openClaims } from '#core/view/claims.ts';
import type { JobView } from '#core/view/job-view.ts';
import { SampleJob, TECHNICIAN } from '../job/sample-job.ts';

const EKO: Person = { id: '0190a000-0000-7000-8000-0000000000e0', name: 'Eko', role: 'technician' };
const NOTE: JobHappening = {
  kind: 'note-made',
  body: { position: null, text: 'went on', isHandOver: false, picture: null },
};
/** That somebody takes the bench over now. */
const takenOver = (job: SampleJob, claimed = EKO): JobHappening => ({
  kind: 'bench-taken-over',
  body: { claimed, since: new Date(job.nowMs).toISOString() },
});

describe('who is said to have taken the bench over off the network', () => {
  test('is a claim until something comes of their own, done since', () => {
    const job = new SampleJob().ready();
    job.happen(NOTE, EKO);
    job.happen(takenOver(job));
    expect(openClaims(job.state)).toMatchObject([{ claimed: EKO, person: TECHNICIAN, confirmedAt: null }]);
    job.happen(NOTE);
    expect(openClaims(job.state)).toHaveLength(1);
    job.happen(NOTE, EKO);
    expect(openClaims(job.state)).toEqual([]);
    expect(job.state.claims[0]?.confirmedAt).toBe(job.events.at(-1)?.deviceTime);
  });

  test('what they did before it confirms nothing, however late it comes', () => {
    const job = new SampleJob().ready();
    const early = job.event(NOTE, EKO);
    job.happen(takenOver(job));
    expect(openClaims(applied(job.state, early) as JobView)).toHaveLength(1);
  });

  test('is confirmed by their PIN though they did nothing, whichever of the two comes first', () => {
    const job = new SampleJob().ready();
    const claim = job.event(takenOver(job));
    const { since } = claim.body as { since: string };
    const proof = job.event({ kind: 'take-over-confirmed', body: { since } }, EKO);
    for (const [first, then] of [
      [claim, proof],
      [proof, claim],
    ] as const) {
      const after = applied(applied(job.state, first), then) as JobView;
      expect(after.claims).toMatchObject([{ claimed: EKO, confirmedAt: proof.deviceTime }]);
    }
  });

  test('a proof of another moment, or of another person, confirms nothing', () => {
    const job = new SampleJob().ready();
    const claim = job.event(takenOver(job));
    const { since } = claim.body as { since: string };
    const early = job.event(
      { kind: 'take-over-confirmed', body: { since: '2026-01-01T00:00:00.000Z' } },
      EKO,
    );
    const other = job.event({ kind: 'take-over-confirmed', body: { since } }, TECHNICIAN);
    for (const proof of [early, other])
      expect(openClaims(applied(applied(job.state, proof), claim) as JobView)).toHaveLength(1);
  });

  test('nobody takes over from themselves', () => {
    const job = new SampleJob().ready();
    expect(job.try(takenOver(job, TECHNICIAN))).toMatchObject({
      refusal: { code: 'claim-untrue', field: 'claimed' },
    });
  });
});
