import { significantDigits } from './torque.ts';
import { fromNewtonMetres, type NewtonMetres, type TorqueUnit, unitSymbol } from './unit.ts';

/** What limits how finely a converted torque may be shown. */
export type Resolution = {
  /** Significant digits of the value it was converted from. */
  readonly sourceDigits: number;
  /** The tool's smallest graduation, in the unit shown; null when no tool is involved. */
  readonly graduation: number | null;
};

const trimmed = (text: string): string =>
  text.includes('.') ? text.replace(/0+$/, '').replace(/\.$/, '') : text;

/** Digits of a number at a resolution it is worth: at most one significant digit more than the source, and never finer
 *  than a tenth of the graduation. Rounds half away from zero, for display only.
 *    20.8333 from `250` → 20.83 */
export const displayDigits = (value: number, resolution: Resolution): string => {
  if (value === 0) return '0';
  const magnitude = Math.floor(Math.log10(Math.abs(value)));
  const bySource = resolution.sourceDigits - magnitude;
  const byTool =
    resolution.graduation === null ? bySource : Math.floor(-Math.log10(resolution.graduation / 10) + 1e-9);
  const decimals = Math.min(bySource, byTool, 9);
  if (decimals <= 0) {
    const step = 10 ** -decimals;
    return String(Math.round(value / step) * step);
  }
  // The nudge undoes binary shortfall (1.005 is stored as 1.00499…), which would round a printed half down.
  return trimmed((value * (1 + Number.EPSILON * 4)).toFixed(decimals));
};

/** A torque in newton metres, in words: the digits it is worth and the unit. */
export const displayTorque = (torque: NewtonMetres, unit: TorqueUnit, resolution: Resolution): string =>
  `${displayDigits(fromNewtonMetres(torque, unit), resolution)} ${unitSymbol(unit)}`;

/** The resolution of a torque as it was written, when no tool is involved. */
export const writtenResolution = (text: string): Resolution => ({
  sourceDigits: significantDigits(text),
  graduation: null,
});

/** A figure that nobody printed and no scale carries, such as a limit of a range in another unit: three significant digits. */
export const shortFigure = (value: number): string =>
  displayDigits(value, { sourceDigits: 2, graduation: null });
