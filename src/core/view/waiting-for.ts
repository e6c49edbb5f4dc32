import type { JobView } from './job-view.ts';
import { nextAction } from './next-action.ts';
import { nextPosition } from './open-items.ts';

/** What a job waits for, and until when, as an ISO instant. */
export type Waiting = { readonly title: string; readonly until: string };

const MINUTE_MS = 60_000;

/** The wait that stands between a job and its next pull or its signature, once it has begun; null where the work can go on. */
export const waitingFor = (job: JobView): Waiting | null => {
  const action = nextAction(job, nextPosition(job, null));
  if (action.kind !== 'step' || action.due.step.act.kind !== 'wait' || action.due.since === null) return null;
  const { step, since } = action.due;
  const { minutes } = action.due.step.act;
  return { title: step.title, until: new Date(Date.parse(since) + minutes * MINUTE_MS).toISOString() };
};
