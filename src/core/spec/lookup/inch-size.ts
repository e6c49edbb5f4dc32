import { accepted, type Result, refused } from '../../result.ts';

/** A size on the axis of inches that tubes, hex keys and flare nuts share: `3/8`, `3/8 in`, `-6`, `dash 6`, `.375`, `10 mm`. */
export type InchSize = { readonly printed: string; readonly inches: number };

export type InchSizeRefusal = { readonly code: 'unreadable-size'; readonly text: string };

// A dash number counts sixteenths of an inch of tube outside diameter. Source: SAE J846 coding of tube fittings (from memory).
const DASH_PER_INCH = 16;
const INCH_MM = 25.4;
const INCHES_MAX = 24;

const UNIT = String.raw`\s*(?:in(?:ch(?:es)?)?\.?|["″]|''|dia\.?)?`;
const DASH = /^(?:dash\s*|no\.?\s*-|-|−|–)\s*(\d{1,2})$/i;
const MIXED = new RegExp(`^(?:(\\d{1,2})[\\s-]+)?(\\d{1,2})\\s*[/⁄]\\s*(\\d{1,2})${UNIT}$`, 'i');
const DECIMAL = new RegExp(`^(\\d{0,2}(?:[.,]\\d{1,4})|\\d{1,2})${UNIT}$`, 'i');
const MILLIMETRE = /^(\d{1,3}(?:[.,]\d{1,3})?)\s*mm$/i;

const inchesOf = (text: string): number | null => {
  const dash = DASH.exec(text);
  if (dash) return Number(dash[1]) / DASH_PER_INCH;
  const mixed = MIXED.exec(text);
  if (mixed) return Number(mixed[1] ?? 0) + Number(mixed[2]) / Number(mixed[3]);
  const millimetre = MILLIMETRE.exec(text);
  if (millimetre) return Number((millimetre[1] ?? '').replace(',', '.')) / INCH_MM;
  const decimal = DECIMAL.exec(text);
  return decimal ? Number((decimal[1] ?? '').replace(',', '.')) : null;
};

/** Reads a size on the axis of inches; a bare number is inches. Refuses: unreadable-size. */
export const readInchSize = (raw: string): Result<InchSize, InchSizeRefusal> => {
  const printed = raw.trim();
  const inches = inchesOf(printed);
  return inches !== null && inches > 0 && inches <= INCHES_MAX
    ? accepted({ printed, inches })
    : refused({ code: 'unreadable-size', text: printed.slice(0, 40) });
};
