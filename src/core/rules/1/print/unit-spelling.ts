import type { TorqueUnit } from '../../../quantity/unit.ts';

// As rules 1 and 2 read units. Frozen: what is read anew stands in quantity/unit-spelling.ts.

// What may stand between the two halves of a unit: `in-lb`, `in.lb`, `in·lb`, `in. - lb`, `in lb`.
const JOIN = String.raw`[\s.\-·⋅∙•*×]{0,4}`;
const FORCE_WORD = '(?:[ -]force)?';
const NEWTON = '(?:newtons?|n)';
const METRE = '(?:met(?:re|er)s?|m)';
const CENTIMETRE = '(?:centimet(?:re|er)s?|cm)';
const POUND = `(?:pounds?${FORCE_WORD}|lbf|lbs?|#)`;
const OUNCE = `(?:ounces?${FORCE_WORD}|ozf?)`;
const INCH = '(?:inch(?:es)?|in)';
const FOOT = '(?:foot|feet|ft)';
const KILOGRAM = `(?:kilograms?${FORCE_WORD}|kilos?|kgf?|kp)`;
const GRAM = `(?:grams?${FORCE_WORD}|gf?)`;
const END = `(?![a-zµμ²³])`;

const eitherWay = (a: string, b: string): string => `(?:${a}${JOIN}${b}|${b}${JOIN}${a})`;
const spelling = (pattern: string): RegExp => new RegExp(`${pattern}${END}`, 'iy');

/** Spellings of torque units, tried in this order. Mass units beside a length (`in-oz`, `cm-kg`) are accepted here and nowhere else. */
export const TORQUE_SPELLINGS: readonly (readonly [TorqueUnit, RegExp])[] = [
  ['cN.m', spelling(`(?:centi-?newtons?|cn)${JOIN}${METRE}`)],
  ['mN.m', spelling(`(?:milli-?newtons?|mn)${JOIN}${METRE}`)],
  ['N.m', spelling(`${NEWTON}${JOIN}${METRE}`)],
  ['lbf.in', spelling(eitherWay(POUND, INCH))],
  ['lbf.ft', spelling(eitherWay(POUND, FOOT))],
  ['ozf.in', spelling(eitherWay(OUNCE, INCH))],
  ['kgf.cm', spelling(eitherWay(KILOGRAM, CENTIMETRE))],
  ['kgf.m', spelling(eitherWay(KILOGRAM, METRE))],
  ['gf.cm', spelling(eitherWay(GRAM, CENTIMETRE))],
];

/** Spellings that are a force, a mass or a slip of the tongue where a torque was meant, with the torques that may have been meant. */
export const NOT_A_TORQUE_SPELLINGS: readonly (readonly [readonly TorqueUnit[], RegExp])[] = [
  [['N.m', 'cN.m'], spelling(String.raw`${NEWTON}\s*(?:\/|per)\s*${METRE}`)],
  [['N.m', 'cN.m'], spelling(NEWTON)],
  [['lbf.in', 'lbf.ft'], spelling(String.raw`${POUND}\s*(?:\/|per)\s*(?:${INCH}|${FOOT})`)],
  [['lbf.in', 'lbf.ft'], spelling(POUND)],
  [['kgf.cm', 'kgf.m'], spelling(String.raw`${KILOGRAM}\s*(?:\/|per)\s*(?:${CENTIMETRE}|${METRE})`)],
  [['kgf.cm', 'kgf.m'], spelling(KILOGRAM)],
  [['ozf.in'], spelling(OUNCE)],
  [['gf.cm'], spelling(GRAM)],
];

/** What a bare number may have meant, when no unit was written at all. */
export const UNIT_GUESSES: readonly TorqueUnit[] = ['N.m', 'lbf.in', 'lbf.ft', 'cN.m', 'kgf.cm'];
