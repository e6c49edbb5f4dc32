import type { FastenerLine } from '#core/job/fastener-list.ts';
import type { Laid } from '#core/layout/board.ts';
import type { NewGroup } from '#wire/new-job.ts';
import { siteKindOf } from '../site-kinds.ts';
import type { BoardGroup, Laying } from './board-store.ts';

/** A group without a kind is no group of a job yet. */
const groupOfJob = ({
  id,
  title,
  jointKind,
  order,
  passes,
  roundsUntilStill,
  passesSource,
}: BoardGroup): NewGroup => ({
  id,
  title,
  jointKind,
  seenFrom: siteKindOf(jointKind)?.words.seenFrom ?? 'from the front',
  irreplaceable: [],
  worked: {
    order,
    passes: [...passes],
    roundsUntilStill,
    passesSource,
  },
});

const lineOf = (laid: Laid, group: BoardGroup, index: number): FastenerLine => {
  const isOwn = laid.requirement.trim() !== '';
  const taken = isOwn ? null : group.taken;
  return {
    line: index + 1,
    cells: {
      position: laid.position,
      label: laid.label,
      requirement: isOwn ? laid.requirement : group.requirement,
      group: laid.group,
      x_mm: String(laid.xMm),
      y_mm: String(laid.yMm),
      ...(group.thread === '' ? {} : { thread: group.thread }),
    },
    readAs: taken ? (taken.torque.readAs ?? taken.torque.printed) : null,
    book: taken?.book ?? null,
  };
};

/** What is laid out as the list of a job: a line for each fastener in the order they are worked, and how each group is. Groups without a fastener
 *  are left out. */
export const boardJob = ({
  board,
  groups,
}: Laying): { readonly lines: readonly FastenerLine[]; readonly groups: readonly NewGroup[] } => {
  const inUse = groups.filter(({ id }) => board.some(({ group }) => group === id));
  const byId = new Map(inUse.map((group) => [group.id, group]));
  return {
    lines: board.flatMap((laid, index) => {
      const group = byId.get(laid.group);
      return group ? lineOf(laid, group, index) : [];
    }),
    groups: inUse.map(groupOfJob),
  };
};
