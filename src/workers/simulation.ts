import { proxy, type Remote, releaseProxy, wrap } from 'comlink';
import type { Simulated, Simulation } from '#core/simulate/simulation.ts';
import type { SimulateFace } from './simulate.worker.ts';

/** A worker that simulates joints, one at a time: a new question ends the one before. */
export type Simulator = {
  readonly simulate: (ask: Simulated, onProgress: (share: number) => void) => Promise<Simulation | null>;
  readonly cancel: () => void;
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
    end: () => {
      face[releaseProxy]();
      worker.terminate();
    },
  };
};
