import { groupOf, kindsOf } from '#core/job/plan.ts';
import { anglesAsked } from '#core/view/angle-due.ts';
import type { FastenerView } from '#core/view/bench.ts';
import { targetOrNull } from '#core/view/fastener-target.ts';
import { isByHand } from '#core/view/group-work.ts';
import type { JobView } from '#core/view/job-view.ts';
import { toolFor } from '#core/view/tool-for.ts';
import { anglesWords, requirementWords } from '#wire/words/requirement.ts';
import { STATUS_WORDS } from '#wire/words/verdict.ts';
import type { Column } from '../../kit/table/column.ts';
import { ListTable } from '../../kit/table/ListTable.tsx';
import { StatusIcon } from '../../shared/StatusIcon.tsx';
import { requirementView } from '../requirement-view.ts';
import { Why } from '../Why.tsx';

const toolWords = (view: JobView, fastener: FastenerView): string =>
  isByHand(fastener) ? 'by hand' : (toolFor(view, fastener)?.tool.code ?? 'none yet');

const detailColumns = (view: JobView): readonly Column<FastenerView>[] =>
  kindsOf(view.plan)
    .flatMap(({ details }) => details)
    .map(({ id, name }) => ({
      id,
      name,
      cell: ({ planned }) => planned.details[id] ?? '',
      value: ({ planned }) => planned.details[id] ?? '',
    }));

const Printed = ({ fastener }: { readonly fastener: FastenerView }) => {
  const { printed, readAs, book } = fastener.planned.requirement;
  return (
    <>
      {printed}
      {readAs && (
        <span className={book ? 'text-faint' : 'text-unsure'}>
          {' '}
          {book ? 'says' : 'read as'} {readAs}
        </span>
      )}
    </>
  );
};

const Target = ({ view, fastener }: { readonly view: JobView; readonly fastener: FastenerView }) => {
  if (isByHand(fastener)) return requirementWords(fastener.planned.requirement.requirement);
  const { target, low, high, symbol } = requirementView(view, fastener);
  return (
    <>
      <strong className="whitespace-nowrap">
        {target} {symbol}
      </strong>{' '}
      <span className="whitespace-nowrap text-faint">
        ({low} to {high})
      </span>
      <strong>{anglesWords(anglesAsked(view, fastener))}</strong>
    </>
  );
};

const columnsOf = (view: JobView): readonly Column<FastenerView>[] => [
  {
    id: 'position',
    name: 'Position',
    cell: ({ planned }) => <span className="font-mono whitespace-nowrap">{planned.position}</span>,
    value: ({ planned }) => view.indexByPosition.get(planned.position) ?? 0,
    isTitle: true,
  },
  {
    id: 'status',
    name: 'Status',
    cell: ({ status, planned, leftOpen }) => (
      <span className="flex items-center gap-2">
        <StatusIcon status={status} drive={planned.drive} />
        {STATUS_WORDS[status]}
        {leftOpen && ', left open'}
      </span>
    ),
    value: ({ status }) => STATUS_WORDS[status],
    isChoice: true,
  },
  {
    id: 'label',
    name: 'Label',
    cell: ({ planned }) => planned.label,
    value: ({ planned }) => planned.label,
  },
  ...(view.plan.groups.length > 1
    ? [
        {
          id: 'group',
          name: 'Group',
          cell: ({ planned }: FastenerView) => groupOf(view.plan, planned).title,
          value: ({ planned }: FastenerView) => view.indexByPosition.get(planned.position) ?? 0,
        },
      ]
    : []),
  ...detailColumns(view),
  { id: 'printed', name: 'Printed', cell: (fastener) => <Printed fastener={fastener} /> },
  {
    id: 'target',
    name: 'Target',
    cell: (fastener) => <Target view={view} fastener={fastener} />,
    value: (fastener) => targetOrNull(view, fastener)?.target ?? 0,
  },
  {
    id: 'tool',
    name: 'Tool',
    cell: (fastener) => <span className="whitespace-nowrap">{toolWords(view, fastener)}</span>,
    value: (fastener) => toolWords(view, fastener),
    isChoice: true,
  },
];

type Props = { readonly view: JobView; readonly chosen: string | null };

/** The fasteners of a job in the order of the work, each with its requirement, its target, and the tool it takes. */
export const FastenerTable = ({ view, chosen }: Props) => (
  <ListTable
    caption="Fasteners"
    columns={columnsOf(view)}
    rows={view.fasteners}
    rowId={({ planned }) => planned.position}
    searchIn={({ planned, status }) =>
      [
        planned.position,
        planned.label,
        ...Object.values(planned.details),
        planned.requirement.printed,
        STATUS_WORDS[status],
      ].join(' ')
    }
    more={(fastener) => <Why fastener={fastener} job={view} />}
    isMarked={({ planned }) => planned.position === chosen}
  />
);
