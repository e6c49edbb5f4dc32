import type { Column } from '#ui/kit/table/column.ts';
import { ListTable } from '#ui/kit/table/ListTable.tsx';

type Fastener = {
  readonly id: string;
  readonly label: string;
  readonly status: string;
  readonly torque: number;
};

const STATUSES = ['open', 'in', 'low', 'above'] as const;

const fasteners = (count: number): readonly Fastener[] =>
  Array.from({ length: count }, (_, index) => ({
    id: `P-${String(index + 1).padStart(5, '0')}`,
    label: `terminal ${(index * 7919) % 10_007}`,
    status: STATUSES[index % STATUSES.length] ?? 'open',
    torque: 10 + ((index * 31) % 90) / 10,
  }));

const COLUMNS: readonly Column<Fastener>[] = [
  {
    id: 'id',
    name: 'Position',
    cell: ({ id }) => <strong>{id}</strong>,
    value: ({ id }) => id,
    isTitle: true,
  },
  { id: 'label', name: 'Label', cell: ({ label }) => label, value: ({ label }) => label },
  {
    id: 'status',
    name: 'Status',
    cell: ({ status }) => status,
    value: ({ status }) => status,
    isChoice: true,
  },
  {
    id: 'torque',
    name: 'Torque',
    cell: ({ torque }) => `${torque.toFixed(1)} N·m`,
    value: ({ torque }) => torque,
  },
  { id: 'note', name: 'Note', cell: () => '–', isHiddenAtFirst: true },
];

const List = ({ caption, count, isOpening }: { caption: string; count: number; isOpening?: boolean }) => {
  const rows = fasteners(count);
  return (
    <div className="panel p-4">
      <ListTable
        caption={caption}
        columns={COLUMNS}
        rows={rows}
        rowId={({ id }) => id}
        searchIn={({ id, label, status }) => `${id} ${label} ${status}`}
        {...(isOpening ? { more: ({ label }: Fastener) => <p>Why {label} is as it is.</p> } : {})}
      />
    </div>
  );
};

const SHORT = 6;
const LONG = 10_000;

/** A list of a few rows. */
export const ShortList = ({ count = SHORT, isOpening = false }: { count?: number; isOpening?: boolean }) => (
  <List caption={isOpening ? 'opening' : `short-${count}`} count={count} isOpening={isOpening} />
);

/** A list as long as any. */
export const LongList = () => <List caption="long" count={LONG} />;
