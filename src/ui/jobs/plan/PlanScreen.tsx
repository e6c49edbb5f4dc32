import { useState } from 'react';
import type { LedgerEvent } from '#core/event/lifted.ts';
import type { Person } from '#core/people/person.ts';
import type { Pace } from '#core/route/pace.ts';
import type { Adapter } from '#core/tool/adapter.ts';
import type { JobView } from '#core/view/job-view.ts';
import { nextAction } from '#core/view/next-action.ts';
import { comingPositions, nextPosition } from '#core/view/open-items.ts';
import type { BookNews } from '#wire/book.ts';
import type { PartHistory } from '#wire/part.ts';
import type { CribTool } from '#wire/tool.ts';
import { schoolWords } from '#wire/words/derivation.ts';
import { ORDER_WORDS } from '#wire/words/order.ts';
import { KeepTemplate } from '../../templates/KeepTemplate.tsx';
import { AssumedLines } from '../AssumedLines.tsx';
import { AtHand } from '../AtHand.tsx';
import { JobDrawing } from '../drawing/JobDrawing.tsx';
import { JobHeader } from '../JobHeader.tsx';
import { useJob } from '../use-job.ts';
import { BookNewsPanel } from './BookNewsPanel.tsx';
import { FastenerTable } from './FastenerTable.tsx';
import { OverloadPanel } from './OverloadPanel.tsx';
import { PartsPanel } from './PartsPanel.tsx';
import { PastProofPanel } from './PastProofPanel.tsx';
import { PlanTools } from './PlanTools.tsx';
import { RoutePanel } from './RoutePanel.tsx';
import { RulesPanel } from './RulesPanel.tsx';
import { TryOutPanel } from './TryOutPanel.tsx';

type Props = {
  readonly events: readonly LedgerEvent[];
  readonly person: Person;
  readonly tools: readonly CribTool[];
  readonly adapters: readonly Adapter[];
  readonly news: readonly BookNews[];
  readonly parts: readonly PartHistory[];
  readonly pace: Pace | null;
};

const countWords = ({ plan, fasteners }: JobView): string => {
  const [first, ...others] = plan.groups;
  if (!first || others.length > 0) return `${fasteners.length} fasteners in ${plan.groups.length} groups`;
  const { words, order } = first.kind;
  if (fasteners.length === 1) return `1 ${words.fastener}`;
  return `${fasteners.length} ${words.fasteners} ${ORDER_WORDS[order]}`;
};

const SourceLine = ({ view }: { readonly view: JobView }) => {
  const { source, schools } = view.plan;
  return (
    <p className="mb-3 text-s text-faint">
      {source.title}
      {source.revision && `, revision ${source.revision}`}
      {source.place && `, ${source.place}`}. Schools:{' '}
      {schoolWords({ question: 'rangeTarget', choice: schools.rangeTarget })};{' '}
      {schoolWords({ question: 'maximumOnly', choice: schools.maximumOnly })};{' '}
      {schoolWords({ question: 'nominalTolerance', choice: schools.nominalTolerance })};{' '}
      {schoolWords({ question: 'decisionRule', choice: schools.decisionRule })}.
    </p>
  );
};

/** A job's plan: the drawing, the list beside it in the order of the work, the tools of each group, and why each value is what it is. */
export const PlanScreen = ({ person, ...given }: Props) => (
  <AtHand person={person} job={given.events[0]?.job ?? ''}>
    {(hands) => <PlanInHand {...given} person={hands} />}
  </AtHand>
);

const PlanInHand = ({ events, person, tools, adapters, news, parts, pace }: Props) => {
  const job = useJob(events[0]?.job ?? '', events, person);
  const [chosen, setChosen] = useState<string | null>(null);
  const { view } = job;
  const coming = comingPositions(view, null);
  const action = nextAction(view, nextPosition(view, null));
  const hasWork = !['choose-tool', 'another-tool', 'signed'].includes(action.kind);
  return (
    <>
      <JobHeader job={job} tab="plan" />
      <div className="grid min-h-0 flex-1 gap-4 overflow-y-auto p-4 sm:p-6 xl:grid-cols-[minmax(0,4fr)_minmax(0,7fr)]">
        <section className="grid content-start gap-4">
          <BookNewsPanel job={job} news={news} />
          <OverloadPanel view={view} />
          <PastProofPanel view={view} />
          <AssumedLines view={view} />
          <PlanTools job={job} tools={tools} adapters={adapters} person={person} />
          {view.signatures.length === 0 && <RoutePanel job={job} crib={tools} pace={pace} />}
          <PartsPanel job={job} parts={parts} />
          <TryOutPanel view={view} />
          <RulesPanel job={job} person={person} />
          <KeepTemplate view={view} />
          <div className="h-80">
            <JobDrawing
              view={view}
              next={chosen ?? coming[0] ?? null}
              coming={chosen ? [] : coming.slice(1, 4)}
              onChoose={setChosen}
            />
          </div>
          {hasWork && (
            <a
              href={`/jobs/${view.job}/${action.kind === 'sign' ? 'sign' : 'bench'}`}
              className="act min-h-14 text-l"
            >
              {action.kind === 'sign' ? 'Go to Sign' : 'Go to the Bench'}
            </a>
          )}
        </section>
        <section className="panel min-w-0 p-4">
          <h2 className="text-l font-bold">{countWords(view)}</h2>
          <SourceLine view={view} />
          <FastenerTable view={view} chosen={chosen} />
        </section>
      </div>
    </>
  );
};
