import { startTransition, useEffect, useRef, useState } from 'react';
import type { Simulated, Simulation } from '#core/simulate/simulation.ts';
import { type Simulator, startSimulator } from '../../workers/simulation.ts';

/** After so long without another change it is worked out. */
const REST_MS = 200;

export type Running = {
  /** What came out last; null before anything did. */
  readonly found: Simulation | null;
  /** How far the one under way is, as a share; null while none is. */
  readonly progress: number | null;
  readonly isBroken: boolean;
  readonly cancel: () => void;
};

/** Simulates a joint in a worker whenever what is asked is another; null asks nothing. */
export const useSimulation = (ask: Simulated | null): Running => {
  const simulator = useRef<Simulator | null>(null);
  const [found, setFound] = useState<Simulation | null>(null);
  const [progress, setProgress] = useState<number | null>(null);
  const [isBroken, setBroken] = useState(false);
  const latest = useRef(ask);
  latest.current = ask;
  const key = ask === null ? '' : JSON.stringify(ask);
  useEffect(
    () => () => {
      simulator.current?.end();
      simulator.current = null;
    },
    [],
  );
  // biome-ignore lint/correctness/useExhaustiveDependencies: another ask is one with another key
  useEffect(() => {
    const wanted = latest.current;
    if (!wanted) {
      setFound(null);
      setProgress(null);
      return undefined;
    }
    const timer = window.setTimeout(() => {
      simulator.current ??= startSimulator(() => setBroken(true));
      setProgress(0);
      void simulator.current
        .simulate(wanted, (share) => latest.current === wanted && setProgress(share))
        .then((answer) => {
          // One that was asked anew meanwhile answers nothing, and the new one goes on.
          if (!answer) return;
          setProgress(null);
          // Charts take their time: they are drawn between the frames.
          startTransition(() => setFound(answer));
        })
        .catch(() => setBroken(true));
    }, REST_MS);
    return () => window.clearTimeout(timer);
  }, [key]);
  return {
    found,
    progress,
    isBroken,
    cancel: () => {
      simulator.current?.cancel();
      setProgress(null);
    },
  };
};
