import type { JointKind } from '../joint/joint-kind.ts';
import { orderOf } from '../order/order.ts';
import type { ReadLine } from './fastener-list.ts';
import type { PlannedFastener, PlannedGroup, PlannedPart } from './plan.ts';

/** How a person wants a group of a list to be worked. */
export type ListedGroup = {
  readonly id: string;
  readonly title: string;
  readonly kind: JointKind;
  readonly seenFrom: string;
  /** The codes of its parts that there is no other of. */
  readonly irreplaceable: readonly string[];
  /** Whether its lines stand in the order of the work already; else that of its kind puts them into it. */
  readonly isInOrder?: boolean;
};

const partsOf = (read: readonly ReadLine[], group: ListedGroup): readonly PlannedPart[] =>
  [...new Set(read.flatMap(({ fastener }) => fastener?.part || []))].map((code) => ({
    code,
    name: group.kind.words.part || 'part',
    isIrreplaceable: group.irreplaceable.includes(code),
  }));

/** The groups of a plan with their fasteners from a list whose every line is settled: the groups in the order wanted, the fasteners of each in
 *  the order of its kind. */
export const plannedGroups = (
  read: readonly ReadLine[],
  wanted: readonly ListedGroup[],
): { readonly groups: readonly PlannedGroup[]; readonly fasteners: readonly PlannedFastener[] } => {
  const each = wanted.map((group) => {
    const lines = read.filter(({ fastener }) => fastener?.group === group.id);
    const fasteners = lines.flatMap(({ fastener }) => fastener ?? []);
    const byPosition = new Map(fasteners.map((fastener) => [fastener.position, fastener]));
    const { id, title, kind, seenFrom } = group;
    return {
      group: { id, title, kind, seenFrom, parts: partsOf(lines, group) },
      fasteners: group.isInOrder
        ? fasteners
        : orderOf(kind.order, fasteners).flatMap((position) => byPosition.get(position) ?? []),
    };
  });
  return { groups: each.map(({ group }) => group), fasteners: each.flatMap(({ fasteners }) => fasteners) };
};
