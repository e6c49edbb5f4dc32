import { transfer, wrap } from 'comlink';
import type { DrawingRefusal } from '#core/drawing/drawing-refusal.ts';
import type { ReadDrawing } from '#core/drawing/mark.ts';
import { DRAWING_MOST_BYTES } from '#core/drawing/read-drawing.ts';
import { type Result, refused } from '#core/result.ts';
import type { DrawingFace } from './drawing.worker.ts';

/** Reads a drawing's file in a worker, which ends with it. Refuses: drawing-too-large before a byte of it is read, and what readDrawing refuses. */
export const readDrawingFile = async (file: File): Promise<Result<ReadDrawing, DrawingRefusal>> => {
  if (file.size > DRAWING_MOST_BYTES)
    return refused({ code: 'drawing-too-large', bytes: file.size, mostBytes: DRAWING_MOST_BYTES });
  const bytes = new Uint8Array(await file.arrayBuffer());
  const worker = new Worker(new URL('./drawing.worker.ts', import.meta.url), { type: 'module' });
  try {
    return await wrap<DrawingFace>(worker).read(transfer(bytes, [bytes.buffer]));
  } finally {
    worker.terminate();
  }
};
