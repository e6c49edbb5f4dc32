import type { LedgerEvent } from '#core/event/lifted.ts';
import type { Person } from '#core/people/person.ts';
import { targetOrNull } from '#core/view/fastener-target.ts';
import type { NextAction } from '#core/view/next-action.ts';
import { problemWords } from '#wire/problems/en.ts';
import { toolOutWords } from '#wire/words/tool.ts';
import { JobDrawing } from '../drawing/JobDrawing.tsx';
import { JobHeader } from '../JobHeader.tsx';
import { useJob } from '../use-job.ts';
import { BenchActions } from './BenchActions.tsx';
import { BenchFoot } from './BenchFoot.tsx';
import { BenchQuestions } from './BenchQuestions.tsx';
import { BenchReading } from './BenchReading.tsx';
import { BenchSetting } from './BenchSetting.tsx';
import { BenchStep } from './BenchStep.tsx';
import { BenchTarget } from './BenchTarget.tsx';
import { BenchVerdict } from './BenchVerdict.tsx';
import { ComfortChoice } from './ComfortChoice.tsx';
import { useBench, useComfort } from './use-bench.ts';
import { useBenchKeys } from './use-bench-keys.ts';

type Props = { readonly events: readonly LedgerEvent[]; readonly person: Person };

const NotThisTool = ({ taken, refusal }: Extract<NextAction, { kind: 'another-tool' }>) => (
  <p className="rounded-md border-2 border-low p-3">
    {refusal.code === 'tool-blocked' ? (
      <>
        <strong>Put {taken.tool.code} away:</strong> {toolOutWords(refusal.blocks)}.
      </>
    ) : (
      <>
        <strong>{taken.tool.code} can’t do this.</strong> {problemWords(refusal).cause}
      </>
    )}
  </p>
);

/** The bench: one fastener at a time, hands free. */
export const BenchScreen = ({ events, person }: Props) => {
  const job = useJob(events[0]?.job ?? '', events, person);
  const [comfort, comfortStore] = useComfort();
  const bench = useBench(job, comfortStore, person);
  useBenchKeys(bench);
  const { view } = job;
  const { action } = bench;
  const foot = <BenchFoot view={view} coming={bench.coming} onChoose={bench.choose} />;
  return (
    <>
      <JobHeader job={job} tab="bench" />
      <div className="flex min-h-0 flex-1 flex-col lg:flex-row">
        <section className="flex min-h-0 flex-col lg:flex-1" aria-label="Drawing">
          <div className="h-38 p-2 sm:h-72 sm:p-3 lg:h-auto lg:min-h-0 lg:flex-1">
            <JobDrawing
              view={view}
              next={bench.position}
              coming={bench.coming.slice(0, 3)}
              onChoose={bench.choose}
            />
          </div>
          <div className="hidden lg:block">{foot}</div>
        </section>
        <section
          className="flex min-h-0 flex-col gap-3 border-rule bg-sheet px-4 py-3 max-lg:border-t lg:w-[452px] lg:overflow-y-auto lg:border-l lg:px-6"
          aria-label="Bench"
        >
          <BenchTarget bench={bench} view={view} />
          {(action.kind === 'set-tool' || action.kind === 'pull') && (
            <BenchSetting
              action={action}
              limits={bench.fastener ? targetOrNull(view, bench.fastener) : null}
            />
          )}
          {action.kind === 'another-tool' && <NotThisTool {...action} />}
          <BenchStep bench={bench} view={view} />
          <BenchReading bench={bench} view={view} />
          <span className="hidden flex-1 lg:block" />
          <div className="sticky bottom-14 -mx-4 grid gap-2 border-rule bg-sheet px-4 py-2 max-lg:border-t sm:bottom-0 lg:static lg:m-0 lg:p-0">
            <BenchVerdict bench={bench} job={job} />
            <BenchActions bench={bench} view={view} isReady={job.isReady} />
          </div>
          <ComfortChoice comfort={comfort} onChange={comfortStore.change} onKeys={() => bench.ask('help')} />
          <div className="lg:hidden">{foot}</div>
        </section>
      </div>
      <BenchQuestions bench={bench} job={job} person={person.name} />
    </>
  );
};
