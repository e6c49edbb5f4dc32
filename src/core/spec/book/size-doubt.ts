import { type LikelyMixUp, likelyMixUps } from '../../quantity/mix-up.ts';
import { writtenInNewtonMetres } from '../../quantity/torque.ts';
import {
  type NewtonMetres,
  newtonMetres,
  type TorqueUnit,
  toNewtonMetres,
  unitSymbol,
} from '../../quantity/unit.ts';
import { readConductorSize } from '../conductor/conductor-size.ts';
import { readThreadSize } from '../lookup/thread-size.ts';
import { printedTorques, type Requirement } from '../requirement/requirement.ts';

/** A torque above anything that its size is tightened to. */
export type SizeDoubt = {
  readonly highest: NewtonMetres;
  /** The confusions that would bring it to what the size bears, nearest first. */
  readonly likely: readonly LikelyMixUp[];
};

// ISO 898-1: Rp0.2 of class 12.9, nominal 1,100 MPa. T = K·d·F with K = 0.25 is a dry, rough joint: no screw of the size is asked for more.
const STRONGEST_MPA = 1_100;
const HIGHEST_NUT_FACTOR = 0.25;
/** Stress area of a coarse thread over its diameter squared, at most. Source: ISO 724, d2 and d3 of coarse threads. */
const AREA_SHARE = 0.58;

const highestOfThread = (diameterMillimetres: number): NewtonMetres => {
  const force = STRONGEST_MPA * AREA_SHARE * diameterMillimetres ** 2;
  return newtonMetres(HIGHEST_NUT_FACTOR * (diameterMillimetres / 1000) * force);
};

// The highest torque of any terminal for a conductor, lbf·in up to each area in mm²: NFPA 70-2020, Informative Annex I, Table I.1 (from memory),
// its hex heads, and half as much again.
const TERMINALS: readonly (readonly [number, number])[] = [
  [5.3, 80],
  [8.4, 80],
  [21.2, 165],
  [53.5, 275],
  [67.5, 385],
  [107.3, 500],
  [178, 650],
  [254, 825],
  [381, 1000],
  [1100, 1100],
];
const ABOVE_TABLE = 1.5;

const highestOfConductor = (areaSquareMillimetres: number): NewtonMetres => {
  const row = TERMINALS.find(([area]) => areaSquareMillimetres <= area);
  return toNewtonMetres((row?.[1] ?? 1100) * ABOVE_TABLE, 'lbf.in');
};

const IS_OF_WIRES = /\b(?:terminals?|wires?|conductors?|cables?|lugs?|awg|busbars?)\b|mm²|mm2/i;

/** The highest torque that anything of a size is tightened to; null where the size says nothing of it. */
const highestFor = (part: string, size: string): NewtonMetres | null => {
  const isOfWires = IS_OF_WIRES.test(`${part} ${size}`);
  const conductor = isOfWires ? readConductorSize(size) : null;
  if (conductor?.ok) return highestOfConductor(conductor.value.areaSquareMillimetres);
  const thread = readThreadSize(size);
  return thread.ok ? highestOfThread(thread.value.diameterMillimetres) : null;
};

/** Whether a requirement is above anything that the size it is for is tightened to, as 18 lbf·ft on a small terminal; null where it is not, or the
 *  size does not say. Source: as the tables it is held against; the margin is common practice. */
export const sizeDoubt = (requirement: Requirement, part: string, size: string): SizeDoubt | null => {
  const highest = highestFor(part, size);
  const torques = printedTorques(requirement).map(writtenInNewtonMetres);
  const top = Math.max(...torques);
  if (highest === null || torques.length === 0 || top <= highest) return null;
  // Not by how far it is above the highest, but whether the confusion brings it to what the size bears.
  const likely = FACTORS_TRIED.flatMap((factor) => likelyMixUps(factor, 1, 'print').slice(0, 1)).filter(
    ({ factor }) => top / factor <= highest,
  );
  return { highest, likely };
};

/** The confusions that make a torque too high: feet for inches, newton metres for inch pounds, a decimal place. */
const FACTORS_TRIED = [12, 8.850746, 10, 100] as const;

const MEANT: Partial<Record<LikelyMixUp['mixUp'], readonly [TorqueUnit, TorqueUnit]>> = {
  'inch-for-foot': ['lbf.ft', 'lbf.in'],
  'newton-metre-for-inch': ['N.m', 'lbf.in'],
  'two-decimal-places': ['N.m', 'cN.m'],
};

/** The same digits in the unit that a doubtful print may have meant, for each confusion that its own unit can be. */
export const meantInstead = (requirement: Requirement, { likely }: SizeDoubt): readonly string[] => {
  const torques = printedTorques(requirement);
  return likely.flatMap(({ mixUp }) => {
    const [from, to] = MEANT[mixUp] ?? [];
    const isPlain = ['range', 'nominal', 'maximum', 'minimum'].includes(requirement.kind);
    if (!to || !isPlain || torques[0]?.unit !== from) return [];
    const digits = torques.map(({ text }) => text).join(' to ');
    const bound = { maximum: 'max ', minimum: 'min ' }[requirement.kind as 'maximum'] ?? '';
    return [`${bound}${digits} ${unitSymbol(to)}`];
  });
};
