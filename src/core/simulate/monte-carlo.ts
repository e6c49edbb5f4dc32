import { type Band, bandOf, scatterer } from '../quantity/scatter.ts';
import { pull, spreadOf } from './preload.ts';
import type { Schedule } from './schedule.ts';

/** What scatters from run to run, as relative standard deviations. */
export type Scatter = {
  /** Of the nut factor from fastener to fastener: one fastener keeps its own through all its pulls. */
  readonly friction: number;
  /** Of the tool from pull to pull. */
  readonly tool: number;
};

/** Where forces come to lie over many runs, as shares of the wanted one. */
export type MonteCarlo = {
  readonly runs: number;
  readonly seed: number;
  /** Of each fastener after the last pull. */
  readonly forces: readonly Band[];
  /** Largest less smallest after each pass. */
  readonly spreads: readonly Band[];
  /** In what share of the runs every fastener ended within the share wanted. */
  readonly shareWithin: number;
};

/** What a simulation over many runs is asked. */
export type MonteCarloAsk = {
  readonly interaction: Float64Array;
  readonly schedule: Schedule;
  readonly fasteners: number;
  readonly scatter: Scatter;
  readonly within: number;
  readonly runs: number;
  readonly seed: number;
};

// A nut factor never falls to nothing, however far out of its distribution.
const LEAST_FACTOR = 0.2;

/** Works through one run of a plan: leaves the forces it ends with in `forces`, and the spread after each pass in its column. */
const oneRun = (
  { interaction, schedule, fasteners, scatter }: MonteCarloAsk,
  drawn: Float64Array,
  forces: Float64Array,
  factor: Float64Array,
  spreadAfter: (pass: number) => void,
): void => {
  const { fastener, share, passEnds } = schedule;
  forces.fill(0);
  for (let each = 0; each < fasteners; each += 1)
    factor[each] = 1 / Math.max(LEAST_FACTOR, 1 + scatter.friction * (drawn[each] as number));
  let at = 0;
  for (let pass = 0; pass < passEnds.length; pass += 1) {
    const end = passEnds[pass] as number;
    for (; at < end; at += 1) {
      const which = fastener[at] as number;
      pull(
        forces,
        interaction,
        which,
        (share[at] as number) *
          (factor[which] as number) *
          (1 + scatter.tool * (drawn[fasteners + at] as number)),
      );
    }
    spreadAfter(pass);
  }
};

/** Keeps the forces of a run, and answers whether all of them are within a share of the wanted one. By index: an iterator costs as much as the
 *  pulls. */
const kept = (
  forces: Float64Array,
  finals: readonly Float64Array[],
  run: number,
  within: number,
): boolean => {
  let isInside = true;
  for (let each = 0; each < forces.length; each += 1) {
    const force = forces[each] as number;
    (finals[each] as Float64Array)[run] = force;
    if (Math.abs(force - 1) > within) isInside = false;
  }
  return isInside;
};

/** The preload over many runs of a plan with friction and tool scattering, part by part so that the asker can show how far it is and stop; the last
 *  step gives the whole. The same seed gives the same numbers. */
export function* monteCarlo(ask: MonteCarloAsk, runsAPart: number): Generator<number, MonteCarlo> {
  const { schedule, fasteners, within, runs, seed } = ask;
  const { fillNormal } = scatterer(seed);
  // One for the friction of each fastener, one for the tool at each pull; of an even length.
  const drawn = new Float64Array(2 * Math.ceil((fasteners + schedule.fastener.length) / 2));
  const finals = Array.from({ length: fasteners }, () => new Float64Array(runs));
  const spreads = schedule.passEnds.map(() => new Float64Array(runs));
  const forces = new Float64Array(fasteners);
  const factor = new Float64Array(fasteners);
  let [run, inside] = [0, 0];
  const spreadAfter = (pass: number): void => {
    (spreads[pass] as Float64Array)[run] = spreadOf(forces);
  };
  for (; run < runs; run += 1) {
    fillNormal(drawn);
    oneRun(ask, drawn, forces, factor, spreadAfter);
    if (kept(forces, finals, run, within)) inside += 1;
    if ((run + 1) % runsAPart === 0) yield (run + 1) / runs;
  }
  return {
    runs,
    seed,
    forces: finals.map(bandOf),
    spreads: spreads.map(bandOf),
    shareWithin: runs === 0 ? 0 : inside / runs,
  };
}
