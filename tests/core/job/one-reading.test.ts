import { expect, test } from 'vitest';
import { fastenerAt } from '#core/view/bench.ts';
import { LEAD, SAMPLE_CABINET, SampleJob, TECHNICIAN } from './sample-job.ts';
import { LARGE, planOf, sampleGroup } from './sample-joints.ts';

const ELECTRONIC = {
  ...LARGE,
  kind: 'electronic',
  scale: { ...LARGE.scale, form: 'display', graduation: 0.01 },
} as const;
const KIND = { ...SAMPLE_CABINET, steps: SAMPLE_CABINET.steps.slice(0, 1) };
const job = () =>
  new SampleJob(
    planOf(
      sampleGroup(
        'A',
        KIND,
        ['1', '2', '3'].map(() => ({ printed: '20 to 24 Nm' })),
      ),
    ),
  ).ready(ELECTRONIC);
/** A pull of a position as the device read it. */
const pulled = (on: SampleJob, position: string, number: number, text = '22') => {
  on.setFor(position);
  const judged = on.judge(position, 'reading', text);
  if (!judged.ok) throw new Error(judged.refusal.code);
  const device = { curve: null, number, readAt: null, serial: ELECTRONIC.serial };
  return { kind: 'pull-made', body: { ...judged.value, device } } as const;
};
const code = (result: { ok: boolean; refusal?: unknown }) =>
  (result as { refusal?: { code: string } }).refusal?.code;

test('two benches that hear one tool: the same reading counts for one of them', () => {
  const on = job();
  on.happen(pulled(on, '1', 7), TECHNICIAN);
  expect(code(on.try(pulled(on, '2', 7), LEAD))).toBe('reading-counted-already');
  // Another reading, and one of a device that counts anew, are their own.
  expect(on.try(pulled(on, '2', 8), LEAD).ok).toBe(true);
  expect(on.try(pulled(on, '2', 7, '22.1'), LEAD).ok).toBe(true);
  on.happen(pulled(on, '2', 7), TECHNICIAN);
  expect(fastenerAt(on.state, '2')?.status).toBe('in');
});

test('a device is said to read only what it reads', () => {
  const on = job();
  const said = pulled(on, '1', 7);
  const device = {
    ...said.body.device,
    curve: {
      points: 100,
      peakNewtonMetres: 12,
      peakAtMs: 90,
      clickNewtonMetres: null,
      clickAtMs: null,
      overshootNewtonMetres: null,
      riseNewtonMetresPerSecond: null,
      lastFifthSeconds: null,
      runOnNewtonMetres: null,
      seatedNewtonMetres: null,
      yieldedNewtonMetres: null,
    },
  };
  expect(code(on.try({ kind: 'pull-made', body: { ...said.body, device } }))).toBe('claim-untrue');
  expect(
    code(on.try({ kind: 'pull-made', body: { ...said.body, method: 'over-shot', reading: null } })),
  ).toBe('claim-untrue');
  const other = { ...said.body.device, serial: 'OTHER' };
  expect(code(on.try({ kind: 'pull-made', body: { ...said.body, device: other } }))).toBe('claim-untrue');
  expect(on.try(said).ok).toBe(true);
});
