import type { Seat } from '#core/simulate/interaction.ts';
import type { Simulation } from '#core/simulate/simulation.ts';

/** What is between the parts, by name. */
export const SEAT_WORDS: Readonly<Record<Seat, string>> = {
  rigid: 'rigid, metal on metal',
  'thin-plate': 'thin plate',
  'rubber-lined': 'rubber or cork lined',
  gasketed: 'gasket',
};

/** A share in percent, with no more digits than a simulation is worth. */
export const shareWords = (share: number): string => {
  const percent = share * 100;
  return `${percent.toFixed(percent > 0 && percent < 9.95 ? 1 : 0)} %`;
};

const COUNTED: Readonly<Record<number, string>> = { 2: 'two', 3: 'three', 4: 'four' };

const ordinal = (pass: number): string => `${pass} ${pass === 1 ? 'pass' : 'passes'}`;

/** What a simulation says in a sentence or two. `passes` of the plan are followed by rounds at full torque. */
export const simulationWords = (
  { spreads, needed, atOnce }: Pick<Simulation, 'spreads' | 'needed' | 'atOnce'>,
  { passes, within }: { readonly passes: number; readonly within: number },
): string => {
  const after = spreads[passes - 1] ?? 0;
  const last = spreads.at(-1) ?? after;
  const rounds = spreads.length - passes;
  const planned = `After ${ordinal(passes)} the tightest and the loosest differ by ${shareWords(after)} of the wanted force${
    rounds > 0
      ? `, after ${rounds} more ${rounds === 1 ? 'round' : 'rounds'} at full torque by ${shareWords(last)}`
      : ''
  }.`;
  const enough =
    needed === null
      ? `Rounds do not bring all of them within ±${Math.round(within * 100)} %: look at the seat.`
      : `All are within ±${Math.round(within * 100)} % after ${ordinal(needed)}, rounds counted.`;
  const [first = 0, ...more] = atOnce;
  const alone = `Pulled to full torque at once, one round leaves ${shareWords(first)}${
    more.length > 0
      ? `, ${COUNTED[more.length + 1] ?? more.length + 1} leave ${shareWords(more.at(-1) ?? 0)}`
      : ''
  }.`;
  return `${alone} ${planned} ${enough}`;
};
