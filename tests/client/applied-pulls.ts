import { SampleJob } from '../core/job/sample-job.ts';

/** A job whose one pull the site found something against: it was shown as in, and has no verdict. */
export const appliedPulls = (): SampleJob => {
  const job = new SampleJob().ready().pull('1');
  const [pull] = job.events.splice(-1, 1);
  if (pull?.kind !== 'pull-made') throw new Error('the last event is the pull');
  const objections = [{ code: 'tool-blocked', about: 'quarantined' }] as const;
  job.events.push({ ...pull, body: { ...pull.body, outcome: 'no-verdict', objections } });
  return job;
};
