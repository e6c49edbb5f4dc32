import { accepted, type Result, refused } from '../../result.ts';

/** A conductor's size as printed, with the one axis all sizes share: the area of its metal. */
export type ConductorSize = {
  readonly printed: string;
  readonly system: 'AWG' | 'kcmil' | 'mm²';
  readonly areaSquareMillimetres: number;
  readonly areaKcmil: number;
  /** Diameter of a solid round conductor of that area, in millimetres. */
  readonly diameterMillimetres: number;
};

export type ConductorRefusal =
  | { readonly code: 'unreadable-conductor'; readonly text: string }
  | { readonly code: 'conductor-out-of-bounds'; readonly text: string };

const INCH_MM = 25.4;
// A circular mil is the area of a circle of one thousandth of an inch; 1 kcmil = 1000 of them.
const KCMIL_MM2 = ((Math.PI / 4) * 1000 * INCH_MM ** 2) / 1_000_000;

/** Diameter of an AWG size in inches: 0.005·92^((36 − n)/39). 1/0 is n = 0, 4/0 is n = −3.
 *  Source: ASTM B258. Valid for: n from −3 to 40. */
export const awgDiameterInches = (n: number): number => 0.005 * 92 ** ((36 - n) / 39);

const AWG_SMALLEST = 40;
const AREA_MAX_MM2 = 1200;

const sized = (
  printed: string,
  system: ConductorSize['system'],
  areaSquareMillimetres: number,
): ConductorSize => ({
  printed,
  system,
  areaSquareMillimetres,
  areaKcmil: areaSquareMillimetres / KCMIL_MM2,
  diameterMillimetres: Math.sqrt((4 * areaSquareMillimetres) / Math.PI),
});

const sizedByAwg = (printed: string, n: number): Result<ConductorSize, ConductorRefusal> => {
  if (n > AWG_SMALLEST) return refused({ code: 'conductor-out-of-bounds', text: printed });
  const diameterMm = awgDiameterInches(n) * INCH_MM;
  return accepted(sized(printed, 'AWG', (Math.PI / 4) * diameterMm ** 2));
};

/** Reads a conductor size: `14`, `#14`, `14 AWG`, `4/0`, `000`, `250 kcmil`, `350 MCM`, `2.5 mm²`, `2,5 mm2`. A bare number up to 40 is AWG.
 *  Refuses: unreadable-conductor, conductor-out-of-bounds. */
export const readConductorSize = (raw: string): Result<ConductorSize, ConductorRefusal> => {
  const printed = raw.trim();
  const text = printed.toLowerCase().replace(',', '.');
  const zeros = /^(?:awg\s*)?#?\s*([1-4])\s*\/\s*0\s*(?:awg)?$/.exec(text);
  if (zeros) return sizedByAwg(printed, 1 - Number(zeros[1]));
  // `00` and `000` are how many labels print 2/0 and 3/0; a single zero is 1/0.
  const aughts = /^(?:awg\s*|#\s*|no\.?\s*)?(0{1,4})\s*(?:awg|ga|gauge)?$/.exec(text);
  if (aughts) return sizedByAwg(printed, 1 - (aughts[1] ?? '').length);
  const awg = /^(?:awg\s*|#\s*|no\.?\s*)?(\d{1,2})\s*(?:awg|ga|gauge)?$/.exec(text);
  if (awg) return sizedByAwg(printed, Number(awg[1]));
  const metric = /^(\d{1,4}(?:\.\d+)?)\s*(?:mm2|mm²|sq\.?\s*mm|mm\^2|qmm)$/.exec(text);
  const kcmil = /^(\d{2,4}(?:\.\d+)?)\s*(?:kcmil|mcm)$/.exec(text);
  if (!metric && !kcmil) return refused({ code: 'unreadable-conductor', text: printed.slice(0, 40) });
  const area = metric ? Number(metric[1]) : Number(kcmil?.[1]) * KCMIL_MM2;
  if (area <= 0 || area > AREA_MAX_MM2) return refused({ code: 'conductor-out-of-bounds', text: printed });
  return accepted(sized(printed, metric ? 'mm²' : 'kcmil', area));
};

const AWG_THICKEST = -3;
// A metric area with one decimal beside gauges is a gauge's own area, rounded: 2.1 mm² is 14 AWG, while 2.5 mm² is a size of its own.
const ONE_DECIMAL = /^\d+[.,]\d(?!\d)/;

/** The gauge whose area a metric area is, rounded to a tenth of a square millimetre as it is printed; null where it is a size of its own.
 *  Source: ASTM B258 for the areas. */
export const gaugeOfArea = ({ printed, areaSquareMillimetres }: ConductorSize): ConductorSize | null => {
  if (!ONE_DECIMAL.test(printed)) return null;
  for (let n = AWG_THICKEST; n <= AWG_SMALLEST; n += 1) {
    const gauge = sizedByAwg(printed, n);
    const rounded = gauge.ok ? Number(gauge.value.areaSquareMillimetres.toFixed(1)) : Number.NaN;
    if (gauge.ok && rounded === areaSquareMillimetres) return gauge.value;
  }
  return null;
};
