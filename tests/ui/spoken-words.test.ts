import { describe, expect, test } from 'vitest';
import { benchAt, EMPTY_BENCH } from '#client/job/bench-state.ts';
import { TORQUE_TO_ANGLE } from '#core/joint/kinds/torque-to-angle.ts';
import { spokenWords } from '#ui/jobs/bench/spoken-words.ts';
import { SampleJob } from '../core/job/sample-job.ts';
import { planOf, sampleGroup } from '../core/job/sample-joints.ts';

const spoken = (job: SampleJob, said: string | null = null, refusal: object | null = null) =>
  spokenWords(job.state, { ...benchAt(job.state, EMPTY_BENCH), refusal: refusal as never }, said);

describe('what the bench says aloud', () => {
  test('the fastener in front with its torque in words, and what to set the tool to', () => {
    expect(spoken(new SampleJob().ready())).toBe(
      '1, terminal 1: 22 inch pounds. Set T-1 to 22.0 inch pounds.',
    );
  });

  test('what a pull came to once, then the next one', () => {
    const job = new SampleJob().ready().pull('1');
    expect(spoken(job)).toBe('1 in. 2, terminal 2: 22 inch pounds.');
    expect(spoken(job, job.events.at(-1)?.id)).toBe('2, terminal 2: 22 inch pounds.');
  });

  test('one that went past says so, and what to do', () => {
    const job = new SampleJob().ready().pull('1', 'over-shot');
    const at = benchAt(job.state, { ...EMPTY_BENCH, chosen: '1' });
    expect(spokenWords(job.state, { ...at, refusal: null }, null)).toBe('1 above. 1 is loosened');
  });

  test('an angle after the torque, in words', () => {
    const kind = { ...TORQUE_TO_ANGLE, passes: TORQUE_TO_ANGLE.passes.slice(1), steps: [] };
    const job = new SampleJob(planOf(sampleGroup('A', kind, [{ printed: '22 in-lb + 90°' }])))
      .ready()
      .pull('1');
    expect(spoken(job)).toBe('1 in. 1: turn on by 90 degrees.');
  });

  test('what is refused is not read out: it is to be looked at', () => {
    expect(spoken(new SampleJob().ready(), null, { code: 'why-missing' })).toBe(
      'Not recorded. Look at the screen.',
    );
  });
});
