import SVGPathCommander from 'svg-path-commander';

/** A circle in the units it is drawn in. */
export type PlainCircle = { readonly x: number; readonly y: number; readonly diameter: number };

/** A box is a circle's where it is as high as wide within this share. */
const ROUND = 0.01;

const isArcs = (path: string): boolean =>
  /a/i.test(path) && !/[lhvcsqt]/i.test(path.replace(/e[+-]?\d/gi, ''));

/** The circles that a path draws of arcs alone, one for each of its parts; none where it draws anything else.
 *  Refuses: null where the path can't be read. */
export const circlesOfPath = (path: string): readonly PlainCircle[] | null => {
  if (!isArcs(path)) return [];
  try {
    const parsed = new SVGPathCommander(path).toAbsolute();
    // A move that follows a move only begins elsewhere.
    const parts = SVGPathCommander.splitPath(parsed.segments).filter((part) =>
      part.some(([command]) => command === 'A'),
    );
    return parts.flatMap((part) => {
      const { x, y, width, height } = SVGPathCommander.getPathBBox(part);
      return width > 0 && Math.abs(width - height) <= ROUND * width
        ? [{ x: x + width / 2, y: y + height / 2, diameter: width }]
        : [];
    });
  } catch {
    return null;
  }
};
