/** Tool classes of the setting family (Type II): A wrench adjustable graduated, B fixed, C adjustable non-graduated,
 *  D screwdriver adjustable graduated, E fixed, F adjustable non-graduated, G flexion bar graduated; and of the indicating
 *  family (Type I): A torsion or flexion bar, B rigid with scale or dial, C electronic, D screwdriver, E electronic screwdriver.
 *  Source: ISO 6789-1:2017, clause 4 (from memory). */
export const TOOL_CLASSES = [
  'I-A',
  'I-B',
  'I-C',
  'I-D',
  'I-E',
  'II-A',
  'II-B',
  'II-C',
  'II-D',
  'II-E',
  'II-F',
  'II-G',
] as const;

export type ToolClass = (typeof TOOL_CLASSES)[number];

// Above this maximum the better tools are held to 4 %; at it and below, to 6 %.
const SMALL_TOOL_MAX_NEWTON_METRES = 10;
const WIDE_PERCENT = 6;
const NARROW_PERCENT = 4;

const HELD_TO_NARROW: ReadonlySet<ToolClass> = new Set(['I-B', 'I-C', 'I-E', 'II-A', 'II-B', 'II-C']);

/** Maximum permissible relative deviation of a tool class, in percent of the reading, from the tool's maximum in newton metres.
 *  Source: ISO 6789-1:2017, 5.1 (from memory). */
export const permissibleDeviationPercent = (toolClass: ToolClass, maximumNewtonMetres: number): number =>
  HELD_TO_NARROW.has(toolClass) && maximumNewtonMetres > SMALL_TOOL_MAX_NEWTON_METRES
    ? NARROW_PERCENT
    : WIDE_PERCENT;
