import Plus from 'lucide-react/icons/plus';
import type { BoardGroup } from '#client/layout/board-store.ts';
import { siteKindOf } from '#client/site-kinds.ts';

type Props = {
  readonly groups: readonly BoardGroup[];
  readonly current: string;
  readonly onChoose: (id: string) => void;
  /** Null where there is no room for another. */
  readonly onAdd: (() => void) | null;
  /** Null where it is the only one. */
  readonly onDrop: (() => void) | null;
};

/** The groups of a board, in the order they are worked, and the way to another one. */
export const GroupTabs = ({ groups, current, onChoose, onAdd, onDrop }: Props) => (
  <nav className="flex flex-wrap items-center gap-2" aria-label="Groups">
    {groups.length > 1 &&
      groups.map(({ id, jointKind }) => (
        <button
          key={id}
          type="button"
          aria-pressed={id === current}
          className="act-quiet px-3 aria-pressed:border-layout aria-pressed:font-bold"
          onClick={() => onChoose(id)}
        >
          {id} {siteKindOf(jointKind)?.name ?? ''}
        </button>
      ))}
    {onAdd && (
      <button type="button" className="act-quiet px-3" onClick={onAdd}>
        <Plus size={18} aria-hidden="true" /> Another group
      </button>
    )}
    {onDrop && (
      <button type="button" className="act-quiet px-3" onClick={onDrop}>
        Take group {current} away
      </button>
    )}
  </nav>
);
