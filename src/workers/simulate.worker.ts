import { expose } from 'comlink';
import { preloadFacts } from '#core/preload/preload-facts.ts';
import { canSimulate, type Simulated, type Simulation, simulation } from '#core/simulate/simulation.ts';

let asked = 0;

/** Lets a message in that came while the last part was worked out: one that asks anew, or cancels. */
const breath = (): Promise<void> => {
  const { port1, port2 } = new MessageChannel();
  return new Promise((resolve) => {
    port1.onmessage = () => {
      port1.close();
      resolve();
    };
    port2.postMessage(null);
  });
};

/** Simulates a joint, telling how far it is. Null where it was cancelled, or asked anew meanwhile, or can't be simulated. */
const simulate = async (ask: Simulated, onProgress: (share: number) => void): Promise<Simulation | null> => {
  asked += 1;
  const own = asked;
  if (!canSimulate(ask)) return null;
  const run = simulation(ask);
  for (let step = run.next(); ; step = run.next()) {
    if (step.done) return step.value;
    onProgress(step.value);
    await breath();
    if (own !== asked) return null;
  }
};

const cancel = (): void => {
  asked += 1;
};

const face = { simulate, cancel, preload: preloadFacts };
export type SimulateFace = typeof face;

expose(face);
