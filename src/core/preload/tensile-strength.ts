import type { PropertyClass } from '../spec/screw/property-class.ts';

/** Tensile strength of a class in megapascals: where a screw breaks.
 *  Source: ISO 898-1:2013, table 3; ISO 3506-1:2020; SAE J429 (ksi there). Transcribed from memory; check the print.
 *  Departures: one value per class, the lower one where it changes with the diameter. */
export const TENSILE_MPA: Readonly<Record<PropertyClass, number>> = {
  '4.6': 400,
  '4.8': 420,
  '5.6': 500,
  '5.8': 520,
  '6.8': 600,
  '8.8': 800,
  '9.8': 900,
  '10.9': 1040,
  '12.9': 1220,
  'A2-50': 500,
  'A2-70': 700,
  'A2-80': 800,
  'A4-50': 500,
  'A4-70': 700,
  'A4-80': 800,
  'grade 2': 510,
  'grade 5': 827,
  'grade 8': 1034,
};

/** What a nut thread is cut in, with its tensile strength in megapascals. Common values of the trade, no published source; a drawing overrides
 *  them. */
export const NUT_MATERIALS = {
  'steel-mild': 400,
  'steel-8': 800,
  'stainless-a2': 500,
  brass: 350,
  'aluminium-6061-t6': 310,
  'aluminium-cast': 220,
  'cast-iron': 200,
  'magnesium-cast': 160,
} as const satisfies Record<string, number>;
export type NutMaterial = keyof typeof NUT_MATERIALS;
