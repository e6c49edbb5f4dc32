import type { Place } from '../layout/generator.ts';
import type { Mark, ReadDrawing } from './mark.ts';

/** Marks of a drawing that are alike: of one layer, kind and size. */
export type MarkSet = {
  readonly id: string;
  readonly layer: string;
  readonly kind: Mark['kind'];
  /** In millimetres; null for what has none. */
  readonly diameterMm: number | null;
  readonly count: number;
};

const SIZE_STEP_MM = 0.01;

const sizeOf = ({ diameter }: Mark, unitMm: number): number | null =>
  diameter === null ? null : Math.round((diameter * unitMm) / SIZE_STEP_MM) * SIZE_STEP_MM;

const setOf = (mark: Mark, unitMm: number): string =>
  JSON.stringify([mark.layer, mark.kind, sizeOf(mark, unitMm)?.toFixed(2) ?? null]);

/** The marks of a drawing by layer, kind and size, the most numerous first. */
export const markSets = ({ marks }: ReadDrawing, unitMm: number): readonly MarkSet[] => {
  const sets = new Map<string, MarkSet>();
  for (const mark of marks) {
    const id = setOf(mark, unitMm);
    const before = sets.get(id);
    const { layer, kind } = mark;
    sets.set(id, {
      ...(before ?? { id, layer, kind, diameterMm: sizeOf(mark, unitMm) }),
      count: (before?.count ?? 0) + 1,
    });
  }
  return [...sets.values()].sort((a, b) => b.count - a.count);
};

/** The places of the chosen sets, in millimetres from the top left of what is taken, as one reads them. */
export const takenPlaces = (
  { marks }: ReadDrawing,
  unitMm: number,
  chosen: ReadonlySet<string>,
): readonly (Place & { readonly label: string })[] => {
  const taken = marks.filter((mark) => chosen.has(setOf(mark, unitMm)));
  const [left, top] = [
    taken.reduce((least, { x }) => Math.min(least, x), Number.POSITIVE_INFINITY),
    taken.reduce((least, { y }) => Math.min(least, y), Number.POSITIVE_INFINITY),
  ];
  return taken
    .map(({ x, y, name }) => ({ xMm: (x - left) * unitMm, yMm: (y - top) * unitMm, label: name }))
    .sort((a, b) => a.yMm - b.yMm || a.xMm - b.xMm);
};
