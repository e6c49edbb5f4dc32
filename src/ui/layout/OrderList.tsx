import {
  closestCenter,
  DndContext,
  type DragEndEvent,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import Grip from 'lucide-react/icons/grip-vertical';
import type { Board, Laid } from '#core/layout/board.ts';

type Props = {
  readonly own: Board;
  readonly onChoose: (id: string) => void;
  /** One put before another, or last where that is null. */
  readonly onMove: (id: string, before: string | null) => void;
};

/** Beyond so many a list is not dragged about. */
const DRAGGED_MOST = 120;

const Row = ({
  laid,
  place,
  onChoose,
}: {
  readonly laid: Laid;
  readonly place: number;
  readonly onChoose: (id: string) => void;
}) => {
  const { attributes, listeners, setNodeRef, transform, transition } = useSortable({ id: laid.id });
  return (
    <li
      ref={setNodeRef}
      style={{
        transform: transform ? `translate3d(0, ${transform.y}px, 0)` : undefined,
        transition,
      }}
      className="flex items-center gap-1 border-b border-rule bg-sheet"
    >
      <button
        type="button"
        className="grid size-11 touch-none place-items-center text-faint"
        {...attributes}
        {...listeners}
        aria-label={`Move ${laid.position}`}
      >
        <Grip size={18} aria-hidden="true" />
      </button>
      <span className="w-8 font-mono text-faint">{place}</span>
      <button type="button" className="min-h-11 flex-1 text-left font-mono" onClick={() => onChoose(laid.id)}>
        {laid.position}
      </button>
    </li>
  );
};

/** The fasteners of a group as a list that is dragged into an order, by pointer, touch or keys. */
export const OrderList = ({ own, onChoose, onMove }: Props) => {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  if (own.length > DRAGGED_MOST)
    return (
      <p className="text-s text-faint">
        {own.length} are too many to drag about: choose a pattern, or number them and bring the order as a
        list.
      </p>
    );
  const end = ({ active, over }: DragEndEvent): void => {
    if (!over || over.id === active.id) return;
    const [from, to] = [active.id, over.id].map((each) => own.findIndex(({ id }) => id === each));
    if (from === undefined || to === undefined) return;
    onMove(String(active.id), (to > from ? own[to + 1] : own[to])?.id ?? null);
  };
  return (
    <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={end}>
      <SortableContext items={own.map(({ id }) => id)} strategy={verticalListSortingStrategy}>
        <ol className="max-h-80 overflow-y-auto" aria-label="Order of the work">
          {own.map((laid, index) => (
            <Row key={laid.id} laid={laid} place={index + 1} onChoose={onChoose} />
          ))}
        </ol>
      </SortableContext>
    </DndContext>
  );
};
