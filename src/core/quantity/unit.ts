import { z } from 'zod';

/** Torque in newton metres. Everything in core computes in it. */
export type NewtonMetres = number & { readonly __unit: 'N.m' };

/** Marks a number as newton metres, at the edge where its unit is known. */
export const newtonMetres = (value: number): NewtonMetres => value as NewtonMetres;

// NIST SP 811 (2008), appendix B.8; ISO 80000-4:2019. All exact by definition.
const POUND_KG = 0.45359237;
const STANDARD_GRAVITY_M_PER_S2 = 9.80665;
const INCH_M = 0.0254;
const INCHES_PER_FOOT = 12;
const OUNCES_PER_POUND = 16;
const CENTIMETRE_M = 0.01;
const MILLIMETRE_M = 0.001;
const GRAM_KG = 0.001;

/** The units a torque may be written in; the code is what the interface of programs uses, the symbol what people read. */
export const TORQUE_UNITS = {
  'N.m': { symbol: 'N·m', newtonMetres: 1 },
  'cN.m': { symbol: 'cN·m', newtonMetres: 0.01 },
  'mN.m': { symbol: 'mN·m', newtonMetres: 0.001 },
  'dN.m': { symbol: 'dN·m', newtonMetres: 0.1 },
  'daN.m': { symbol: 'daN·m', newtonMetres: 10 },
  'kN.m': { symbol: 'kN·m', newtonMetres: 1000 },
  'N.cm': { symbol: 'N·cm', newtonMetres: CENTIMETRE_M },
  'N.mm': { symbol: 'N·mm', newtonMetres: MILLIMETRE_M },
  'lbf.in': { symbol: 'lbf·in', newtonMetres: POUND_KG * STANDARD_GRAVITY_M_PER_S2 * INCH_M },
  'lbf.ft': {
    symbol: 'lbf·ft',
    newtonMetres: POUND_KG * STANDARD_GRAVITY_M_PER_S2 * INCH_M * INCHES_PER_FOOT,
  },
  'ozf.in': {
    symbol: 'ozf·in',
    newtonMetres: (POUND_KG / OUNCES_PER_POUND) * STANDARD_GRAVITY_M_PER_S2 * INCH_M,
  },
  'kgf.cm': { symbol: 'kgf·cm', newtonMetres: STANDARD_GRAVITY_M_PER_S2 * CENTIMETRE_M },
  'kgf.m': { symbol: 'kgf·m', newtonMetres: STANDARD_GRAVITY_M_PER_S2 },
  'gf.cm': { symbol: 'gf·cm', newtonMetres: GRAM_KG * STANDARD_GRAVITY_M_PER_S2 * CENTIMETRE_M },
} as const satisfies Record<string, { symbol: string; newtonMetres: number }>;

export type TorqueUnit = keyof typeof TORQUE_UNITS;

/** Written by few: listed after the others. */
const SELDOM: readonly TorqueUnit[] = ['dN.m', 'daN.m', 'kN.m', 'N.cm', 'N.mm'];

/** Every unit code, in the order a person expects them listed. */
export const TORQUE_UNIT_CODES: readonly TorqueUnit[] = [
  ...(Object.keys(TORQUE_UNITS) as readonly TorqueUnit[]).filter((unit) => !SELDOM.includes(unit)),
  ...SELDOM,
];

/** The symbol people read, such as `lbf·in`. */
export const unitSymbol = (unit: TorqueUnit): string => TORQUE_UNITS[unit].symbol;

/** Newton metres of a number in a unit. */
export const toNewtonMetres = (value: number, unit: TorqueUnit): NewtonMetres =>
  newtonMetres(value * TORQUE_UNITS[unit].newtonMetres);

/** The number in a unit of a torque in newton metres. */
export const fromNewtonMetres = (torque: NewtonMetres, unit: TorqueUnit): number =>
  torque / TORQUE_UNITS[unit].newtonMetres;

/** The code of a torque unit. */
export const torqueUnitSchema = z.enum(TORQUE_UNIT_CODES as readonly [TorqueUnit, ...TorqueUnit[]]);
