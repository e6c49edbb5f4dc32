/** Something on a drawing that may be a fastener: where it sits, x to the right and y downwards, in the units of the drawing. */
export type Mark = {
  readonly kind: 'circle' | 'point' | 'insert';
  /** The layer or the group that it is on; empty where the drawing has none. */
  readonly layer: string;
  /** The name of what was inserted, or the id of the shape; empty where it has none. */
  readonly name: string;
  readonly x: number;
  readonly y: number;
  /** Null for what has none. */
  readonly diameter: number | null;
};

/** A drawing read, in its own units. */
export type ReadDrawing = {
  readonly marks: readonly Mark[];
  /** How long one of its units is, in millimetres, and whether it says so itself. */
  readonly unitMm: number;
  readonly unitName: string;
  readonly isUnitAssumed: boolean;
};
