import type { Seat } from './interaction.ts';

/** What a kind of joint is taken for until a person says otherwise; metal on metal where it does not say. Common practice. */
const USUAL: Readonly<Record<string, Seat>> = {
  'soft-seat-ring': 'rubber-lined',
  'gasketed-plate': 'gasketed',
  'panel-screws': 'thin-plate',
  'soft-part-clamp': 'thin-plate',
};

/** What lies between the parts of a kind of joint, by its code. */
export const usualSeat = (jointKind: string): Seat => USUAL[jointKind] ?? 'rigid';
