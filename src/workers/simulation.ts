import { proxy, type Remote, releaseProxy, wrap } from 'comlink';
import type { preloadFacts } from '#core/preload/preload-facts.ts';
import type { Simulated, Simulation } from '#core/simulate/simulation.ts';
import type { SimulateFace } from './simulate.worker.ts';

/** A worker that simulates joints, one at a time: a new question ends the one before. */
export type Simulator = {
  readonly simulate: (ask: Simulated, onProgress: (share: number) => void) => Promise<Simulation | null>;
  readonly cancel: () => void;
  /** What a torque makes of a screw; null where nothing is asked yet. */
  readonly preload: (...asked: Parameters<typeof preloadFacts>) => Promise<ReturnType<typeof preloadFacts>>;
  /** Ends the worker. */
  readonly end: () => void;
};

/** Starts a worker that simulates joints. `onFault` hears of one that broke down. */
export const startSimulator = (onFault: () => void): Simulator => {
  const worker = new Worker(new URL('./simulate.worker.ts', import.meta.url), { type: 'module' });
  const face: Remote<SimulateFace> = wrap<SimulateFace>(worker);
  worker.addEventListener('error', onFault);
  return {
    simulate: (ask, onProgress) => face.simulate(ask, proxy(onProgress)),
    cancel: () => void face.cancel(),
    preload: (...asked) => face.preload(...asked),
    end: () => {
      face[releaseProxy]();
      worker.terminate();
    },
  };
};
