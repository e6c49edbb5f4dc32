import { type Remote, releaseProxy, wrap } from 'comlink';
import type { MemoryFace } from './memory.worker.ts';

/** A worker that reads and matches the memory of a tool. */
export type MemoryReader = {
  readonly face: Remote<MemoryFace>;
  /** Ends the worker. */
  readonly end: () => void;
};

/** Starts a worker that reads the memory of a tool. `onFault` hears of one that broke down. */
export const startMemoryReader = (onFault: () => void): MemoryReader => {
  const worker = new Worker(new URL('./memory.worker.ts', import.meta.url), { type: 'module' });
  const face = wrap<MemoryFace>(worker);
  worker.addEventListener('error', onFault);
  return {
    face,
    end: () => {
      face[releaseProxy]();
      worker.terminate();
    },
  };
};
