import { expose } from 'comlink';
import type { DrawingRefusal } from '#core/drawing/drawing-refusal.ts';
import type { ReadDrawing } from '#core/drawing/mark.ts';
import { readDrawing } from '#core/drawing/read-drawing.ts';
import type { Result } from '#core/result.ts';

const read = (bytes: Uint8Array): Result<ReadDrawing, DrawingRefusal> =>
  readDrawing(new TextDecoder('utf-8').decode(bytes));

const face = { read };
export type DrawingFace = typeof face;

expose(face);
