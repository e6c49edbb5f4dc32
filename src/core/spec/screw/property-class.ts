import { z } from 'zod';
import { TORQUE_UNITS } from '../../quantity/unit.ts';

/** The standard that a strength class is of. Between two of them a class says nothing about the other's. */
type Family = 'carbon-steel' | 'stainless' | 'inch';

/** Strength classes of screws and nuts, weakest first within their family. */
export const PROPERTY_CLASSES = [
  '4.6',
  '4.8',
  '5.6',
  '5.8',
  '6.8',
  '8.8',
  '9.8',
  '10.9',
  '12.9',
  'A2-50',
  'A2-70',
  'A2-80',
  'A4-50',
  'A4-70',
  'A4-80',
  'grade 2',
  'grade 5',
  'grade 8',
] as const;
export type PropertyClass = (typeof PROPERTY_CLASSES)[number];
export const propertyClassSchema = z.enum(PROPERTY_CLASSES);

const INCH_M = 0.0254;
/** 1 ksi in megapascals: 1000 pounds-force over a square inch, which is 1000 lbf·in over a cubic one. Source: NIST SP 811, appendix B.8. */
const MEGAPASCALS_PER_KSI = (1000 * TORQUE_UNITS['lbf.in'].newtonMetres) / INCH_M ** 3 / 1e6;

/** Strength of a class in megapascals: proof strength, for stainless steel the stress at 0.2 % strain.
 *  Source: ISO 898-1:2013, table 3; ISO 3506-1:2020; SAE J429 (ksi as printed there). Transcribed from memory; check the print.
 *  Departures: one value per class, the lower one where it changes with the diameter. */
export const PROOF_MPA: Readonly<Record<PropertyClass, number>> = {
  '4.6': 225,
  '4.8': 310,
  '5.6': 280,
  '5.8': 380,
  '6.8': 440,
  '8.8': 580,
  '9.8': 650,
  '10.9': 830,
  '12.9': 970,
  'A2-50': 210,
  'A2-70': 450,
  'A2-80': 600,
  'A4-50': 210,
  'A4-70': 450,
  'A4-80': 600,
  'grade 2': 55 * MEGAPASCALS_PER_KSI,
  'grade 5': 85 * MEGAPASCALS_PER_KSI,
  'grade 8': 120 * MEGAPASCALS_PER_KSI,
};

const familyOf = (propertyClass: PropertyClass): Family => {
  if (propertyClass.startsWith('grade')) return 'inch';
  return propertyClass.startsWith('A') ? 'stainless' : 'carbon-steel';
};

/** A class in any usual spelling: `8,8`, `class 10.9`, `a2 70`, `gr. 8`. Null where it is none of them. */
export const propertyClassOf = (text: string): PropertyClass | null => {
  const plain = text
    .trim()
    .toLowerCase()
    .replace(/^(property |strength )?class\s*/, '')
    .replace(/^gr(ade|\.)?\s*(?=\d)/, 'grade ')
    .replace(/^(a[24])[\s-]?(?=\d)/, '$1-')
    .replace(',', '.');
  return PROPERTY_CLASSES.find((each) => each.toLowerCase() === plain) ?? null;
};

/** How the class of the screw in hand stands against the class asked. */
export type ClassStanding = 'met' | 'weaker' | 'another-standard';

/** Holds the class of the screw in hand against the class asked: as strong or stronger of the same standard meets it. A4 meets what asks A2,
 *  never the other way round. Source: strengths as above; that a class of another standard settles nothing is common practice. */
export const classStanding = (asked: PropertyClass, inHand: PropertyClass): ClassStanding => {
  const isOther = familyOf(asked) !== familyOf(inHand) || (asked.startsWith('A4') && inHand.startsWith('A2'));
  if (isOther) return 'another-standard';
  return PROOF_MPA[inHand] >= PROOF_MPA[asked] ? 'met' : 'weaker';
};

/** A screw in hand that may not take the place of the class asked. */
export type ClassRefusal = {
  readonly code: 'class-not-met';
  readonly position: string;
  readonly asked: PropertyClass;
  readonly inHand: PropertyClass;
  readonly standing: Exclude<ClassStanding, 'met'>;
};

/** What stands against a screw in hand; null where it meets the class, where none is asked, and where nobody has said what is in hand.
 *  Refuses: class-not-met. */
export const classRefusal = (
  position: string,
  asked: PropertyClass | undefined,
  inHand: PropertyClass | undefined,
): ClassRefusal | null => {
  if (!asked || !inHand) return null;
  const standing = classStanding(asked, inHand);
  return standing === 'met' ? null : { code: 'class-not-met', position, asked, inHand, standing };
};
