import { useEffect, useRef, useState } from 'react';
import type { PreloadTyped, preloadFacts } from '#core/preload/preload-facts.ts';
import type { TorqueUnit } from '#core/quantity/unit.ts';
import { type Simulator, startSimulator } from '../../workers/simulation.ts';

/** What a torque makes of a screw, worked out in a worker as it is typed; null while nothing is asked. */
export const usePreload = (typed: PreloadTyped, siteUnit: TorqueUnit): ReturnType<typeof preloadFacts> => {
  const worker = useRef<Simulator | null>(null);
  const [found, setFound] = useState<ReturnType<typeof preloadFacts>>(null);
  const key = JSON.stringify([typed, siteUnit]);
  const asked = useRef(key);
  asked.current = key;
  useEffect(
    () => () => {
      worker.current?.end();
      worker.current = null;
    },
    [],
  );
  // biome-ignore lint/correctness/useExhaustiveDependencies: another question is one with another key
  useEffect(() => {
    worker.current ??= startSimulator(() => setFound(null));
    void worker.current.preload(typed, siteUnit).then((answer) => {
      if (asked.current === key) setFound(answer);
    });
  }, [key]);
  return found;
};
