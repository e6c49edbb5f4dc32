import { useState } from 'react';
import type { Adapter } from '#core/adapter/adapter.ts';
import type { KeptEvent } from '#core/event/lifted.ts';
import type { Person } from '#core/people/person.ts';
import type { FastenerView } from '#core/view/bench.ts';
import { targetOrNull } from '#core/view/fastener-target.ts';
import { nextAction } from '#core/view/next-action.ts';
import { comingPositions } from '#core/view/open-items.ts';
import type { BookNews } from '#wire/book.ts';
import type { CribTool } from '#wire/tool.ts';
import { schoolWords } from '#wire/words/derivation.ts';
import { STATUS_WORDS } from '#wire/words/verdict.ts';
import { type Column, SortableTable } from '../shared/SortableTable.tsx';
import { StatusIcon } from '../shared/StatusIcon.tsx';
import { BookNewsPanel } from './BookNewsPanel.tsx';
import { FastenerDrawing } from './FastenerDrawing.tsx';
import { JobHeader } from './JobHeader.tsx';
import { RulesPanel } from './RulesPanel.tsx';
import { requirementView } from './requirement-view.ts';
import { ToolChoice } from './ToolChoice.tsx';
import { useJob } from './use-job.ts';
import { Why } from './Why.tsx';

type Props = {
  readonly events: readonly KeptEvent[];
  readonly person: Person;
  readonly tools: readonly CribTool[];
  readonly adapters: readonly Adapter[];
  readonly news: readonly BookNews[];
};

/** A job's plan: the drawing, the list beside it in the order of the work, the tool, and why each value is what it is. */
export const PlanScreen = ({ events, person, tools, adapters, news }: Props) => {
  const job = useJob(events[0]?.job ?? '', events, person);
  const [chosen, setChosen] = useState<string | null>(null);
  const { state } = job;
  const { plan } = state;
  const coming = comingPositions(state, null);
  const action = nextAction(state, coming[0] ?? null);
  const columns: readonly Column<FastenerView>[] = [
    {
      id: 'position',
      name: 'Position',
      cell: ({ planned }) => <span className="font-mono whitespace-nowrap">{planned.position}</span>,
      sortBy: ({ planned }) => state.placeOf.get(planned.position) ?? 0,
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
      sortBy: ({ status }) => status,
    },
    {
      id: 'label',
      name: 'Label',
      cell: ({ planned }) => planned.label,
      sortBy: ({ planned }) => planned.label,
    },
    {
      id: 'conductor',
      name: 'Conductor',
      cell: ({ planned }) => planned.conductor,
      sortBy: ({ planned }) => planned.conductor,
    },
    {
      id: 'printed',
      name: 'Printed',
      cell: ({ planned }) => (
        <>
          {planned.requirement.printed}
          {planned.requirement.readAs && (
            <span className={planned.requirement.book ? 'text-faint' : 'text-unsure'}>
              {' '}
              {planned.requirement.book ? 'says' : 'read as'} {planned.requirement.readAs}
            </span>
          )}
        </>
      ),
    },
    {
      id: 'target',
      name: 'Target',
      cell: (fastener) => {
        const { target, low, high, symbol } = requirementView(state, fastener);
        return (
          <>
            <strong className="whitespace-nowrap">
              {target} {symbol}
            </strong>{' '}
            <span className="whitespace-nowrap text-faint">
              ({low} to {high})
            </span>
          </>
        );
      },
      sortBy: (fastener) => targetOrNull(state, fastener)?.target ?? 0,
    },
  ];
  const { schools } = plan;
  return (
    <>
      <JobHeader job={job} tab="plan" />
      <div className="grid min-h-0 flex-1 gap-4 overflow-y-auto p-4 sm:p-6 xl:grid-cols-[minmax(0,4fr)_minmax(0,7fr)]">
        <section className="grid content-start gap-4">
          <BookNewsPanel job={job} news={news} />
          <div className="panel p-4">
            <h2 className="mb-2 text-l font-bold">{state.tool ? 'The tool' : 'Which tool'}</h2>
            <ToolChoice job={job} tools={tools} adapters={adapters} person={person} />
          </div>
          <RulesPanel job={job} person={person} />
          <div className="h-80">
            <FastenerDrawing
              fasteners={state.fasteners}
              seenFrom={plan.seenFrom}
              next={chosen ?? coming[0] ?? null}
              coming={chosen ? [] : coming.slice(1, 4)}
              onChoose={setChosen}
            />
          </div>
          {!['choose-tool', 'another-tool', 'signed'].includes(action.kind) && (
            <a
              href={`/jobs/${state.job}/${action.kind === 'sign' ? 'sign' : 'bench'}`}
              className="act min-h-14 text-l"
            >
              {action.kind === 'sign' ? 'Go to Sign' : 'Go to the Bench'}
            </a>
          )}
        </section>
        <section className="panel min-w-0 p-4">
          <h2 className="text-l font-bold">{state.fasteners.length} fasteners in reading order</h2>
          <p className="mb-3 text-s text-faint">
            {plan.source.title}
            {plan.source.revision && `, revision ${plan.source.revision}`}
            {plan.source.place && `, ${plan.source.place}`}. Schools:{' '}
            {schoolWords({ question: 'rangeTarget', choice: schools.rangeTarget })};{' '}
            {schoolWords({ question: 'maximumOnly', choice: schools.maximumOnly })};{' '}
            {schoolWords({ question: 'nominalTolerance', choice: schools.nominalTolerance })};{' '}
            {schoolWords({ question: 'decisionRule', choice: schools.decisionRule })}.
          </p>
          <SortableTable
            caption="Fasteners"
            columns={columns}
            rows={state.fasteners}
            rowId={({ planned }) => planned.position}
            searchIn={({ planned, status }) =>
              `${planned.position} ${planned.label} ${planned.conductor} ${planned.requirement.printed} ${STATUS_WORDS[status]}`
            }
            more={(fastener) => <Why fastener={fastener} job={state} />}
            isMarked={({ planned }) => planned.position === chosen}
          />
        </section>
      </div>
    </>
  );
};
