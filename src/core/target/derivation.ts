import type { NewtonMetres } from '../quantity/unit.ts';
import type { Schools } from './schools.ts';

/** The rules by which a requirement becomes a target and an acceptance interval. */
export type DerivationRule =
  | 'printed-limit'
  | 'middle-of-range'
  | 'low-end-of-range'
  | 'high-end-of-range'
  | 'share-of-maximum'
  | 'low-limit-below-maximum'
  | 'above-minimum'
  | 'high-limit-above-minimum'
  | 'printed-value'
  | 'printed-tolerance'
  | 'site-tolerance'
  | 'tool-class-tolerance'
  | 'harder-minimum-as-maximum'
  | 'lower-part-governs'
  | 'overlap-of-parts'
  | 'other-part-not-met'
  | 'run-on-added'
  | 'lower-half'
  | 'lubrication-ratio';

/** A choice of school that a step rests on. */
export type SchoolChoice = {
  readonly [Q in keyof Schools]-?: { readonly question: Q; readonly choice: NonNullable<Schools[Q]> };
}[keyof Schools];

/** One line of a derivation: people read it under "why". */
export type DerivationStep = {
  readonly rule: DerivationRule;
  readonly gives: 'target' | 'low' | 'high';
  /** The torques it starts from, in newton metres. */
  readonly from: readonly NewtonMetres[];
  /** The ratio or half width applied, as a bare ratio; null where none is. */
  readonly ratio: number | null;
  readonly result: NewtonMetres;
  readonly school: SchoolChoice | null;
  /** Whether the source did not print this and Jentik assumed it. */
  readonly assumed: boolean;
};
