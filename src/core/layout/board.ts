import { orderOf } from '../order/order.ts';
import type { Order } from '../order/orders.ts';
import type { Spot } from '../order/spot.ts';
import { LIST_MAX_ROWS } from '../spec/list/list-bounds.ts';
import type { Place } from './generator.ts';

/** A fastener on the board: where it sits, what it is called, the group it is worked in, and its own requirement where it has one. */
export type Laid = Spot & {
  /** Stays the same whatever it is called. */
  readonly id: string;
  readonly group: string;
  /** As printed; empty where that of its group holds. */
  readonly requirement: string;
  readonly label: string;
};

/** Fasteners laid out, in the order they are to be worked. */
export type Board = readonly Laid[];

const MM_MOST = 100_000;
const bounded = (mm: number): number => Math.min(MM_MOST, Math.max(-MM_MOST, Math.round(mm * 1e3) / 1e3));

/** The names on a board. */
const taken = (board: Board): ReadonlySet<string> => new Set(board.map(({ position }) => position));

/** Names that are not taken yet: a prefix and numbers from the next one on. */
const freeNames = (board: Board, prefix: string, many: number): readonly string[] => {
  const used = new Set(taken(board));
  const names: string[] = [];
  for (let number = board.length + 1; names.length < many; number += 1) {
    const name = `${prefix}${number}`;
    if (!used.has(name)) names.push(name);
    used.add(name);
  }
  return names;
};

/** How many more a board holds. */
export const roomOn = (board: Board): number => LIST_MAX_ROWS - board.length;

/** A board with places added to a group, each named by a prefix and its number; no more than there is room for. `newId` gives what stays the same of
 *  each. */
export const withPlaces = (
  board: Board,
  places: readonly (Place & { readonly position?: string; readonly label?: string })[],
  group: string,
  newId: () => string,
  prefix = '',
): Board => {
  const fitting = places.slice(0, roomOn(board));
  const names = freeNames(board, prefix, fitting.length);
  const used = new Set(taken(board));
  const added = fitting.map(({ xMm, yMm, position, label = '' }, index): Laid => {
    // A name that a file gave holds unless it stands already.
    const name = position && !used.has(position) ? position : (names[index] as string);
    used.add(name);
    return {
      id: newId(),
      position: name,
      xMm: bounded(xMm),
      yMm: bounded(yMm),
      group,
      requirement: '',
      label,
    };
  });
  return [...board, ...added];
};

const changed = (board: Board, ids: ReadonlySet<string>, change: (laid: Laid) => Partial<Laid>): Board =>
  board.map((laid) => (ids.has(laid.id) ? { ...laid, ...change(laid) } : laid));

/** A board without some of its fasteners. */
export const without = (board: Board, ids: ReadonlySet<string>): Board =>
  board.filter(({ id }) => !ids.has(id));

/** A board with some moved, in millimetres. */
export const moved = (board: Board, ids: ReadonlySet<string>, byXMm: number, byYMm: number): Board =>
  changed(board, ids, ({ xMm, yMm }) => ({ xMm: bounded(xMm + byXMm), yMm: bounded(yMm + byYMm) }));

/** A board with some in another group. */
export const grouped = (board: Board, ids: ReadonlySet<string>, group: string): Board =>
  changed(board, ids, () => ({ group }));

/** A board with a requirement of their own for some; empty gives them that of their group back. */
export const required = (board: Board, ids: ReadonlySet<string>, requirement: string): Board =>
  changed(board, ids, () => ({ requirement }));

export const ALIGNMENTS = ['left', 'right', 'top', 'bottom', 'spread-across', 'spread-down'] as const;
export type Alignment = (typeof ALIGNMENTS)[number];

/** A board with some brought into one line, or spread evenly between the outermost two. */
export const aligned = (board: Board, ids: ReadonlySet<string>, alignment: Alignment): Board => {
  const chosen = board.filter(({ id }) => ids.has(id));
  if (chosen.length < 2) return board;
  const axis = alignment === 'left' || alignment === 'right' || alignment === 'spread-across' ? 'xMm' : 'yMm';
  const values = chosen.map((laid) => laid[axis]);
  const [low, high] = [Math.min(...values), Math.max(...values)];
  if (alignment === 'left' || alignment === 'top') return changed(board, ids, () => ({ [axis]: low }));
  if (alignment === 'right' || alignment === 'bottom') return changed(board, ids, () => ({ [axis]: high }));
  const inLine = [...chosen].sort((a, b) => a[axis] - b[axis]);
  const step = (high - low) / (inLine.length - 1);
  const place = new Map(inLine.map(({ id }, index) => [id, bounded(low + index * step)]));
  return changed(board, ids, ({ id }) => ({ [axis]: place.get(id) ?? 0 }));
};

/** The fasteners of a group in one of the orders; the others stay where they stand. */
export const ordered = (board: Board, group: string, order: Order): Board => {
  const own = board.filter((laid) => laid.group === group);
  const byPosition = new Map(own.map((laid) => [laid.position, laid]));
  const inOrder = orderOf(order, own).flatMap((position) => byPosition.get(position) ?? []);
  let next = 0;
  return board.map((laid) => (laid.group === group ? (inOrder[next++] ?? laid) : laid));
};

/** A board with one fastener put before another of its group, or at the end of it where `before` is null. */
export const reordered = (board: Board, id: string, before: string | null): Board => {
  const laid = board.find((each) => each.id === id);
  if (!laid || id === before) return board;
  const rest = board.filter((each) => each.id !== id);
  const last = rest.findLastIndex(({ group }) => group === laid.group) + 1;
  const at = before === null ? last : rest.findIndex((each) => each.id === before);
  return at < 0 ? board : rest.toSpliced(at, 0, laid);
};

/** A board with some renamed by a prefix and numbers from a first one on: in the order they are worked, or as one reads the drawing. Refuses: null
 *  where a name stands already on one that is not among them. */
export const numbered = (
  board: Board,
  ids: ReadonlySet<string>,
  {
    prefix,
    first,
    by,
  }: { readonly prefix: string; readonly first: number; readonly by: 'order' | 'reading' },
): Board | null => {
  const chosen = board.filter(({ id }) => ids.has(id));
  const inOrder = by === 'order' ? chosen.map(({ position }) => position) : orderOf('reading', chosen);
  const nameOf = new Map(inOrder.map((position, index) => [position, `${prefix}${first + index}`]));
  const others = taken(board.filter(({ id }) => !ids.has(id)));
  if ([...nameOf.values()].some((name) => others.has(name) || name.length > 40)) return null;
  return changed(board, ids, ({ position }) => ({ position: nameOf.get(position) ?? position }));
};

/** Names that stand on more than one. */
export const repeatedNames = (board: Board): readonly string[] => {
  const counts = new Map<string, number>();
  for (const { position } of board) counts.set(position, (counts.get(position) ?? 0) + 1);
  return [...counts].flatMap(([position, count]) => (count > 1 ? [position] : []));
};
