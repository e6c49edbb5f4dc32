import { accepted, type Result, refused } from '../result.ts';
import type { DrawingRefusal } from './drawing-refusal.ts';
import type { Mark, ReadDrawing } from './mark.ts';
import { readDxf } from './read-dxf.ts';
import { readSvg } from './read-svg.ts';

/** Most bytes of a drawing that is read. */
export const DRAWING_MOST_BYTES = 20_000_000;
/** Most marks that are taken off a drawing to choose from. */
export const MARKS_MOST = 20_000;

/** Two marks closer than this share of a millimetre are one: a hole is often drawn as circles in each other. */
const SAME_MM = 0.01;

/** Marks, each place once: of circles round one middle the largest stands. */
const once = ({ marks, unitMm, ...drawing }: ReadDrawing): ReadDrawing => {
  const byPlace = new Map<string, Mark>();
  for (const mark of marks) {
    const key = `${Math.round((mark.x * unitMm) / SAME_MM)} ${Math.round((mark.y * unitMm) / SAME_MM)}`;
    const before = byPlace.get(key);
    if (!before || (mark.diameter ?? 0) > (before.diameter ?? 0)) byPlace.set(key, mark);
  }
  return { ...drawing, unitMm, marks: [...byPlace.values()] };
};

/** Reads a drawing by what it holds, DXF or SVG. Refuses: drawing-empty, drawing-unknown, dxf-binary, and what either reader refuses, with the line;
 *  drawing-without-marks where nothing on it could be a fastener; drawing-too-many above MARKS_MOST. */
export const readDrawing = (text: string): Result<ReadDrawing, DrawingRefusal> => {
  const begin = text.slice(0, 2000).trimStart();
  if (begin === '') return refused({ code: 'drawing-empty' });
  // Only a drawing saved in its binary form has bytes of nothing in it.
  if (begin.includes('\u0000')) return refused({ code: 'dxf-binary' });
  const isSvg = begin.startsWith('<');
  // A DXF begins with a group code: a whole number alone on its line, a comment as 999.
  if (!isSvg && !/^\d+\s*\r?\n/.test(begin))
    return refused({ code: 'drawing-unknown', found: begin.slice(0, 40) });
  const read = isSvg ? readSvg(text) : readDxf(text);
  if (!read.ok) return read;
  const drawing = once(read.value);
  if (drawing.marks.length === 0) return refused({ code: 'drawing-without-marks' });
  return drawing.marks.length > MARKS_MOST
    ? refused({ code: 'drawing-too-many', count: drawing.marks.length, most: MARKS_MOST })
    : accepted(drawing);
};
