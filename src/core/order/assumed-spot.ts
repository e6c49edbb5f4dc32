const PITCH_MM = 30;
const IN_A_ROW = 10;

/** Where a fastener of a list without places is drawn, in millimetres: round a circle in the order listed, clockwise from the top, or in rows
 *  of ten. It is a picture to find them by, and no measure of anything. */
export const assumedSpot = (
  outline: 'rails' | 'ring' | 'none',
  index: number,
  count: number,
): { readonly xMm: number; readonly yMm: number } => {
  if (outline !== 'ring' || count < 3)
    return { xMm: (index % IN_A_ROW) * PITCH_MM, yMm: Math.floor(index / IN_A_ROW) * PITCH_MM * 2 };
  const radius = PITCH_MM / 2 / Math.sin(Math.PI / count);
  const angle = (index / count) * 2 * Math.PI;
  const to = (value: number): number => Number(value.toFixed(2));
  return { xMm: to(radius * (1 + Math.sin(angle))), yMm: to(radius * (1 - Math.cos(angle))) };
};
