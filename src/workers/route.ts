import { type Remote, releaseProxy, wrap } from 'comlink';
import type { JobRoute, jobRoute } from '#core/route/job-route.ts';
import type { RouteFace } from './route.worker.ts';

/** A worker that finds routes, one after the other. */
export type RouteFinder = {
  readonly find: (...asked: Parameters<typeof jobRoute>) => Promise<JobRoute>;
  /** Ends the worker. */
  readonly end: () => void;
};

/** Starts a worker that finds routes. `onFault` hears of one that broke down. */
export const startRouteFinder = (onFault: () => void): RouteFinder => {
  const worker = new Worker(new URL('./route.worker.ts', import.meta.url), { type: 'module' });
  const face: Remote<RouteFace> = wrap<RouteFace>(worker);
  worker.addEventListener('error', onFault);
  return {
    find: (...asked) => face.find(...asked),
    end: () => {
      face[releaseProxy]();
      worker.terminate();
    },
  };
};
