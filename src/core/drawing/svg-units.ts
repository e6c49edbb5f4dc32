/** Millimetres of the units a length may be in. Source: CSS Values and Units 3, absolute lengths. */
const UNIT_MM: Readonly<Record<string, number>> = {
  mm: 1,
  cm: 10,
  in: 25.4,
  pt: 25.4 / 72,
  pc: 25.4 / 6,
  px: 25.4 / 96,
};
const PIXEL_MM = 25.4 / 96;

const LENGTH = /^\s*([+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?)\s*([a-z%]*)\s*$/i;

/** A length as an SVG writes it: its number and its unit, empty for none. Null where it is no length. */
export const svgLength = (text: string): { readonly value: number; readonly unit: string } | null => {
  const match = LENGTH.exec(text);
  return match ? { value: Number(match[1]), unit: (match[2] ?? '').toLowerCase() } : null;
};

export type SvgUnit = { readonly unitMm: number; readonly unitName: string; readonly isUnitAssumed: boolean };

const ASSUMED: SvgUnit = { unitMm: PIXEL_MM, unitName: 'px', isUnitAssumed: true };

/** How long one unit of a drawing is, by its width as printed and the width of its view box. Without a printed unit it is taken for a pixel of
 *  1/96 inch, and said to be assumed. */
export const svgUnit = (width: string | undefined, viewBox: string | undefined): SvgUnit => {
  const printed = width === undefined ? null : svgLength(width);
  const box = (viewBox ?? '')
    .trim()
    .split(/[\s,]+/)
    .map(Number);
  const boxWidth = box.length === 4 && box.every(Number.isFinite) ? (box[2] as number) : null;
  const mm = printed ? UNIT_MM[printed.unit] : undefined;
  if (!printed || mm === undefined || printed.value <= 0) return ASSUMED;
  const unitMm = boxWidth && boxWidth > 0 ? (printed.value * mm) / boxWidth : mm;
  const isWhole = Math.abs(unitMm - 1) < 1e-9;
  return {
    unitMm,
    unitName: isWhole ? 'mm' : `unit of ${Number(unitMm.toPrecision(6))} mm`,
    isUnitAssumed: printed.unit === 'px',
  };
};
