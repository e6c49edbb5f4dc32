import { beforeEach, describe, expect, test } from 'vitest';
import { boardJob } from '#client/layout/board-job.ts';
import {
  addGroup,
  addPlace,
  boardStore,
  changeBoard,
  changeGroup,
  chooseGroup,
  clearBoard,
  currentGroup,
  dropGroup,
  layOut,
  layPlaces,
  redo,
  undo,
} from '#client/layout/board-store.ts';
import { moved } from '#core/layout/board.ts';

const laying = () => boardStore.getState();
const positions = () => laying().board.map(({ position }) => position);
const RING = { shape: 'bolt-circle', count: 8, diameterMm: 80, firstDegrees: 0 } as const;

beforeEach(() => {
  clearBoard();
  boardStore.temporal.getState().clear();
});

describe('what is laid out', () => {
  test('a kind brings its order and passes, and a layout stands in that order', () => {
    changeGroup({ jointKind: 'soft-seat-ring' });
    layOut(RING);
    expect(currentGroup(laying())).toMatchObject({ order: 'crosswise', roundsUntilStill: true });
    // ASME PCC-1, legacy pattern of eight (from memory).
    expect(positions()).toEqual(['1', '5', '3', '7', '2', '6', '4', '8']);
    changeGroup({ order: 'reading' });
    // The upper three are one row: 8 left of the top, 1 at it, 2 right of it.
    expect(positions().slice(0, 3)).toEqual(['8', '1', '2']);
  });
  test('another layout takes the place of what the group had, and of nothing else', () => {
    layOut(RING);
    addGroup();
    layPlaces([{ xMm: 1, yMm: 2 }]);
    expect(laying().board).toHaveLength(9);
    chooseGroup('A');
    layOut({ ...RING, count: 3 });
    expect(laying().board.filter(({ group }) => group === 'A')).toHaveLength(3);
    expect(laying().board.filter(({ group }) => group === 'B')).toHaveLength(1);
    dropGroup();
    expect(laying().groups.map(({ id }) => id)).toEqual(['B']);
    dropGroup();
    expect(laying().groups).toHaveLength(1);
  });
  test('every step is undone and done again; one that changes nothing is none', () => {
    layOut(RING);
    const ids = new Set(laying().board.map(({ id }) => id));
    const before = laying().board;
    changeBoard((board) => moved(board, ids, 5, 0));
    changeBoard((board) => board);
    undo();
    expect(laying().board).toEqual(before);
    undo();
    expect(laying().board).toEqual([]);
    redo();
    expect(laying().board).toEqual(before);
  });
  test('a place is added at the end', () => {
    layOut({ ...RING, count: 2 });
    addPlace({ xMm: 9, yMm: 9 });
    expect(laying().board.at(-1)).toMatchObject({ xMm: 9, yMm: 9, position: '3' });
  });
});

test('as a job: a line each in their order, with its own value or that of its group, the passes chosen, and no group without a fastener', () => {
  changeGroup({ jointKind: 'soft-seat-ring', requirement: '0.9 Nm', thread: 'M3' });
  layOut({ ...RING, count: 4 });
  changeBoard((board) => board.map((laid, at) => (at === 1 ? { ...laid, requirement: '1.2 Nm' } : laid)));
  changeGroup({ passes: [{ name: 'full torque', amount: { kind: 'share', share: 1 } }] });
  addGroup();
  const { lines, groups } = boardJob(laying());
  expect(groups.map(({ id }) => id)).toEqual(['A']);
  expect(groups[0]?.worked).toMatchObject({ order: 'crosswise', roundsUntilStill: true });
  expect(groups[0]?.worked?.passes).toHaveLength(1);
  expect(lines.map(({ cells }) => [cells['position'], cells['requirement'], cells['thread']])).toEqual([
    ['1', '0.9 Nm', 'M3'],
    ['3', '1.2 Nm', 'M3'],
    ['2', '0.9 Nm', 'M3'],
    ['4', '0.9 Nm', 'M3'],
  ]);
});
