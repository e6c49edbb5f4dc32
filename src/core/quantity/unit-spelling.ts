import type { TorqueUnit } from './unit.ts';

// What may stand between the two halves of a unit: `in-lb`, `in.lb`, `in·lb`, `in. - lb`, `in lb`. Every dash of Unicode is a `-` by here.
const JOIN = String.raw`[\s.\-·⋅∙•*×]{0,4}`;
const FORCE_WORD = '(?:[ -]force)?';
const NEWTON = '(?:newtons?|n)';
const METRE = '(?:met(?:re|er)[sn]?|m)';
const CENTIMETRE = '(?:[cz]entimet(?:re|er)[sn]?|cm)';
const MILLIMETRE = '(?:millimet(?:re|er)[sn]?|mm)';
const POUND = `(?:pounds?${FORCE_WORD}|pfund|lbs?[ -]?f(?![a-z])|lbs?(?:[ -]force)?|#)`;
const OUNCE = `(?:ounces?${FORCE_WORD}|ozf?)`;
const INCH = '(?:inch(?:es)?|zoll|in|["″”])';
const FOOT = "(?:foot|feet|fu(?:ß|ss)|ft|['′’])";
const KILOGRAM = `(?:kilograms?${FORCE_WORD}|kiloponds?|kilos?|kgf?|kp)`;
const GRAM = `(?:grams?${FORCE_WORD}|ponds?|gf?)`;
const END = '(?![a-zµμ²³])';

const eitherWay = (a: string, b: string): string => `(?:${a}${JOIN}${b}|${b}${JOIN}${a})`;
const spelling = (pattern: string): RegExp => new RegExp(`${pattern}${END}`, 'iy');
/** A spelling in which a capital says something else: mN·m is a thousandth, MN·m a million. */
const exactly = (pattern: string): RegExp => new RegExp(`${pattern}(?![a-zA-Zµμ²³])`, 'y');
const ANY_CASE_METRE = '(?:[mM]et(?:re|er)[sn]?|M|m)';

/** Spellings of torque units, tried in this order. Mass units beside a length (`in-oz`, `cm-kg`) are accepted here and nowhere else, and so is
 *  a length over a force (`ft/lb`), which is no other quantity. */
export const TORQUE_SPELLINGS: readonly (readonly [TorqueUnit, RegExp])[] = [
  ['cN.m', spelling(`(?:centi-?newtons?|cn)${JOIN}${METRE}`)],
  ['mN.m', exactly(`(?:[mM]illi-?[nN]ewtons?|m[nN])${JOIN}(?:[mM]et(?:re|er)[sn]?|m)`)],
  ['dN.m', exactly(`(?:[dD]eci-?[nN]ewtons?|d[nN])${JOIN}(?:[mM]et(?:re|er)[sn]?|m)`)],
  ['daN.m', spelling(`(?:de[ck]a-?newtons?|dan)${JOIN}${METRE}`)],
  ['kN.m', spelling(`(?:kilo-?newtons?|kn)${JOIN}${METRE}`)],
  ['N.mm', spelling(`${NEWTON}${JOIN}${MILLIMETRE}`)],
  ['N.cm', spelling(`${NEWTON}${JOIN}${CENTIMETRE}`)],
  ['N.m', spelling(`${NEWTON}${JOIN}${METRE}`)],
  ['lbf.in', spelling(eitherWay(POUND, INCH))],
  ['lbf.ft', spelling(eitherWay(POUND, FOOT))],
  ['lbf.in', spelling(String.raw`${INCH}\s*\/\s*${POUND}`)],
  ['lbf.ft', spelling(String.raw`${FOOT}\s*\/\s*${POUND}`)],
  ['ozf.in', spelling(eitherWay(OUNCE, INCH))],
  ['kgf.cm', spelling(eitherWay(KILOGRAM, CENTIMETRE))],
  ['kgf.m', spelling(eitherWay(KILOGRAM, METRE))],
  ['gf.cm', spelling(eitherWay(GRAM, CENTIMETRE))],
  ['gf.cm', spelling(`p${JOIN}cm`)],
];

/** Spellings that are a force, a mass, a rate or a slip of the tongue where a torque was meant, with the torques that may have been meant, the
 *  likeliest first. */
export const NOT_A_TORQUE_SPELLINGS: readonly (readonly [readonly TorqueUnit[], RegExp])[] = [
  [['mN.m', 'N.m'], exactly(`(?:[mM]ega-?[nN]ewtons?|M[nN])${JOIN}${ANY_CASE_METRE}`)],
  [['mN.m', 'N.m'], exactly(`m[nN]${JOIN}M`)],
  [['dN.m', 'daN.m'], exactly(`[dD][nN]${JOIN}${ANY_CASE_METRE}`)],
  [['N.m', 'cN.m'], spelling(String.raw`${NEWTON}\s*(?:\/|per)\s*${METRE}`)],
  [['N.m', 'cN.m'], spelling(NEWTON)],
  [['lbf.in', 'lbf.ft'], spelling(String.raw`${POUND}\s*(?:\/|per)\s*${INCH}`)],
  [['lbf.ft', 'lbf.in'], spelling(String.raw`${POUND}\s*(?:\/|per)\s*${FOOT}`)],
  [['lbf.in', 'lbf.ft'], spelling(POUND)],
  [['kgf.m', 'kgf.cm'], spelling(String.raw`${KILOGRAM}\s*(?:\/|per)\s*${METRE}`)],
  [['kgf.cm', 'kgf.m'], spelling(String.raw`${KILOGRAM}\s*(?:\/|per)\s*${CENTIMETRE}`)],
  [['kgf.cm', 'kgf.m'], spelling(KILOGRAM)],
  [['ozf.in'], spelling(OUNCE)],
  [['gf.cm'], spelling(GRAM)],
];

/** What a bare number may have meant, when no unit was written at all. */
export const UNIT_GUESSES: readonly TorqueUnit[] = ['N.m', 'lbf.in', 'lbf.ft', 'cN.m', 'kgf.cm'];

/** A torque unit spelled in a text. */
export type SpelledUnit = { readonly unit: TorqueUnit; readonly start: number; readonly end: number };

const unitFrom = (text: string, at: number): SpelledUnit | null => {
  for (const [unit, pattern] of TORQUE_SPELLINGS) {
    pattern.lastIndex = at;
    const match = pattern.exec(text);
    if (match) return { unit, start: at, end: at + match[0].length };
  }
  return null;
};

/** Every torque unit spelled in a text with where it stands, in order, where no letter runs into it. */
export const spelledUnits = (text: string): readonly SpelledUnit[] => {
  const units: SpelledUnit[] = [];
  for (let at = 0; at < text.length; at += 1) {
    if (!/[a-z#"″”'′’]/i.test(text[at] as string)) continue;
    if (at > 0 && /[a-z]/i.test(text[at - 1] as string)) continue;
    const found = unitFrom(text, at);
    if (!found) continue;
    units.push(found);
    at = found.end - 1;
  }
  return units;
};

/** Every torque unit spelled in a text, in order. */
export const torqueUnitsIn = (text: string): readonly TorqueUnit[] =>
  spelledUnits(text).map(({ unit }) => unit);
