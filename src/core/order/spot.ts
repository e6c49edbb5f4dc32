/** Where a fastener sits, in millimetres from the top left corner of the drawing: x to the right, y downwards. */
export type Spot = { readonly position: string; readonly xMm: number; readonly yMm: number };
