import { temporal } from 'zundo';
import { createJSONStorage, persist } from 'zustand/middleware';
import { createStore } from 'zustand/vanilla';
import type { JointKind, Pass } from '#core/joint/joint-kind.ts';
import { type Board, ordered, without, withPlaces } from '#core/layout/board.ts';
import { type Generator, generated, type Place } from '#core/layout/generator.ts';
import type { Order } from '#core/order/orders.ts';
import type { FromBook } from '#core/spec/book/from-book.ts';
import { newId } from '../happen.ts';
import { siteKindOf } from '../site-kinds.ts';

/** How a group on the board is to be worked. */
export type BoardGroup = {
  readonly id: string;
  readonly title: string;
  /** The code of its kind of joint; empty until one is chosen. */
  readonly jointKind: string;
  /** As printed; that of every fastener which has none of its own. */
  readonly requirement: string;
  /** Where it was taken from in the book; null where it was typed. */
  readonly taken: FromBook | null;
  readonly thread: string;
  readonly order: Order;
  readonly passes: readonly Pass[];
  readonly roundsUntilStill: boolean;
  readonly passesSource: string;
};

/** What is laid out: all that one can go back from. */
export type Laying = {
  readonly board: Board;
  readonly groups: readonly BoardGroup[];
  /** Which group is worked at. */
  readonly current: string;
};

const KEPT_AS = 'jentik-board';
const STEPS_BACK = 100;
const GROUP_LETTERS = 'ABCDEFGHIJKLMNOPQRSTUVWX';
/** Most groups of a board: as many as a job has. */
export const BOARD_GROUPS_MOST = GROUP_LETTERS.length;

const FULL: Pass = { name: 'full torque', amount: { kind: 'share', share: 1 } };

const emptyGroup = (id: string): BoardGroup => ({
  id,
  title: '',
  jointKind: '',
  requirement: '',
  taken: null,
  thread: '',
  order: 'as-listed',
  passes: [FULL],
  roundsUntilStill: false,
  passesSource: '',
});

const NOTHING: Laying = { board: [], groups: [emptyGroup('A')], current: 'A' };

/** How a kind of joint is worked unless a person chooses otherwise. */
const workedByKind = (kind: JointKind) => ({
  order: kind.order,
  passes: kind.passes,
  roundsUntilStill: kind.roundsUntilStill,
  passesSource: kind.passesSource ?? '',
});

/** What is laid out on this browser, kept over a reload, with every step undone and done again. */
export const boardStore = createStore<Laying>()(
  persist(
    // Within what keeps it, so that a step that is undone is kept as undone.
    temporal(() => NOTHING, {
      limit: STEPS_BACK,
      partialize: ({ board, groups, current }) => ({ board, groups, current }),
      // What changes nothing is no step.
      equality: (a, b) => a.board === b.board && a.groups === b.groups && a.current === b.current,
    }),
    {
      name: KEPT_AS,
      storage: createJSONStorage(() => window.localStorage),
      // Read when the page asks for it, so that it is drawn first as the server drew it.
      skipHydration: true,
    },
  ),
);

/** The group that is worked at. */
export const currentGroup = ({ groups, current }: Laying): BoardGroup =>
  groups.find(({ id }) => id === current) ?? (groups[0] as BoardGroup);

const change = (next: (laying: Laying) => Partial<Laying>): void => {
  boardStore.setState(next);
};

/** Changes the board, one step that can be undone. */
export const changeBoard = (next: (board: Board) => Board): void =>
  change(({ board }) => ({ board: next(board) }));

/** Changes the group that is worked at. A new kind brings its order and passes, a new order puts its fasteners into it. */
export const changeGroup = (part: Partial<BoardGroup>): void =>
  change(({ board, groups, current }) => {
    const before = currentGroup({ board, groups, current });
    const isNew = part.jointKind !== undefined && part.jointKind !== before.jointKind;
    const kind = isNew ? siteKindOf(part.jointKind ?? '') : undefined;
    const whole = { ...(kind ? workedByKind(kind) : {}), ...part };
    return {
      groups: groups.map((group) => (group.id === current ? { ...group, ...whole } : group)),
      ...(whole.order === undefined ? {} : { board: ordered(board, current, whole.order) }),
    };
  });

/** Adds a group and works at it; none where there is no letter left. */
export const addGroup = (): void =>
  change(({ groups }) => {
    const id = [...GROUP_LETTERS].find((letter) => groups.every((group) => group.id !== letter));
    return id === undefined ? {} : { groups: [...groups, emptyGroup(id)], current: id };
  });

/** Works at another group. */
export const chooseGroup = (id: string): void => change(() => ({ current: id }));

/** Takes the group that is worked at off the board, with its fasteners; the last one stays. */
export const dropGroup = (): void =>
  change(({ board, groups, current }) => {
    if (groups.length < 2) return {};
    const left = groups.filter(({ id }) => id !== current);
    return {
      board: board.filter(({ group }) => group !== current),
      groups: left,
      current: (left[0] as BoardGroup).id,
    };
  });

/** Lays places out in the group that is worked at, in place of what it had, in its order. */
export const layPlaces = (places: readonly (Place & { readonly label?: string })[]): void =>
  change(({ board, groups, current }) => {
    const own = new Set(board.flatMap(({ id, group }) => (group === current ? id : [])));
    const prefix = groups.length > 1 ? current : '';
    const laid = withPlaces(without(board, own), places, current, newId, prefix);
    return { board: ordered(laid, current, currentGroup({ board, groups, current }).order) };
  });

/** Lays a regular layout out, as layPlaces does. */
export const layOut = (generator: Generator): void => layPlaces(generated(generator));

/** Adds one place to the group that is worked at, last in its order. */
export const addPlace = (place: Place): void =>
  change(({ board, groups, current }) => ({
    board: withPlaces(board, [place], current, newId, groups.length > 1 ? current : ''),
  }));

/** Clears the board, once it became a job or on demand. */
export const clearBoard = (): void => change(() => NOTHING);

/** Undoes or does again the last step. */
export const undo = (): void => boardStore.temporal.getState().undo();
export const redo = (): void => boardStore.temporal.getState().redo();
