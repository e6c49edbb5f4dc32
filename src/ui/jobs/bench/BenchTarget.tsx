import { memo } from 'react';
import { mayRemeasure } from '#client/job/bench-state.ts';
import { detailWords, groupOf } from '#core/job/plan.ts';
import { leastRunOnLbfIn } from '#core/spec/screw/self-locking-run-on.ts';
import { anglesAsked } from '#core/view/angle-due.ts';
import { targetOrNull } from '#core/view/fastener-target.ts';
import { isByHand } from '#core/view/group-work.ts';
import type { JobView } from '#core/view/job-view.ts';
import { isFullPass, isRound, nextPass } from '#core/view/passes.ts';
import { toolFor } from '#core/view/tool-for.ts';
import { HEAD_DRIVE_WORDS } from '#wire/words/head-drive.ts';
import { passWords } from '#wire/words/joint.ts';
import { anglesWords, byHandWords, writtenWords } from '#wire/words/requirement.ts';
import { requirementView } from '../requirement-view.ts';
import { BenchWarnings } from './BenchWarnings.tsx';
import { ThreadDirection } from './ThreadDirection.tsx';
import type { Bench } from './use-bench.ts';
import { WhyHere } from './WhyHere.tsx';

const windDownWords = ({ action }: Bench): string =>
  action.kind === 'wind-down'
    ? 'A tool that is kept set is soon out: wind it down, never below its lowest mark, then sign.'
    : 'Put the tools away, then sign.';

const Finished = ({ bench, view }: { readonly bench: Bench; readonly view: JobView }) => {
  const isSigned = view.signatures.length > 0;
  const isDone = bench.action.kind === 'sign' || bench.action.kind === 'wind-down' || isSigned;
  return (
    <div>
      <h2 className="text-xl font-bold">
        {isSigned
          ? 'The job is signed'
          : isDone
            ? 'Every fastener is pulled'
            : 'Pulled; something is still due'}
      </h2>
      <p className="text-faint">{isSigned ? 'Its record is under Sign.' : isDone && windDownWords(bench)}</p>
    </div>
  );
};

const RunOnLimit = ({ thread }: { readonly thread: string }) => {
  const least = leastRunOnLbfIn(thread);
  return (
    <p className="text-s" data-testid="run-on-limit">
      {least === null
        ? 'No least run-on torque is published for this size: the nut’s maker says what it must still need.'
        : `Used again, a self-locking nut of ${thread} must still need at least ${least} lbf·in (AC 43.13-1B, Table 7-2).`}
    </p>
  );
};

/** The fastener in front: where it is, what it is, the torque it gets and why, with which tool, in which pass. */
export const BenchTarget = memo(({ bench, view }: { readonly bench: Bench; readonly view: JobView }) => {
  const { fastener } = bench;
  if (!fastener) return <Finished bench={bench} view={view} />;
  const { planned } = fastener;
  const group = groupOf(view.plan, planned);
  const taken = toolFor(view, fastener);
  const pass = nextPass(view, fastener);
  const shown = requirementView(view, fastener, taken?.tool ?? null, pass);
  const full = requirementView(view, fastener, taken?.tool ?? null);
  const isFull = isFullPass(group.kind, pass);
  const isHandTight = isByHand(fastener);
  const isAssumed = targetOrNull(view, fastener)?.steps.some(({ assumed }) => assumed) ?? false;
  // On a phone a step that is due has the room: the torque comes after it.
  const step = bench.action.kind === 'step' ? bench.action.due : null;
  // What is done for the whole job is done before anybody looks at a torque.
  const onlyWide = step && step.group === null ? 'hidden' : step || fastener.remedy ? 'max-sm:hidden' : '';
  const facts = [
    `${(view.indexByPosition.get(planned.position) ?? 0) + 1} of ${view.fasteners.length}`,
    view.plan.groups.length > 1 ? group.title : '',
    ...detailWords(view.plan, planned),
    planned.thread,
    planned.isSingleUse ? 'single use' : '',
    isHandTight ? '' : passWords(group.kind, pass),
    fastener.pulls.length > 0 ? `pull ${fastener.pulls.length + 1}` : '',
    taken ? `with ${taken.tool.code}` : '',
  ].filter(Boolean);
  return (
    <div>
      <p className="text-s text-faint short:hidden lg:truncate" title={facts.join(' · ')}>
        {facts.join(' · ')}
      </p>
      <h2
        className="truncate text-xl leading-7 font-bold"
        title={planned.label}
        data-testid="current-fastener"
      >
        <span data-testid="current-position">{planned.position}</span> {planned.label}
      </h2>
      {isHandTight ? (
        <p className="text-2xl leading-tight font-bold">{byHandWords(planned.requirement.requirement)}</p>
      ) : (
        <p className={`flex items-baseline gap-3 leading-none max-[22rem]:flex-wrap ${onlyWide}`}>
          <span className="text-figure leading-[1.05] font-bold tracking-tight short:text-2xl">
            {shown.target}
          </span>
          <span className="text-xl whitespace-nowrap">
            {shown.symbol}
            {isFull && <strong>{anglesWords(anglesAsked(view, fastener))}</strong>}
          </span>
          {!isFull && (
            <span className="text-m text-faint">
              of {full.target} {full.symbol} at full torque
            </span>
          )}
          <span className="ml-auto max-w-40 self-center text-m leading-5">
            <ThreadDirection direction={planned.direction} />
          </span>
        </p>
      )}
      {planned.driveAssumed && !isHandTight && (
        <p className={`text-low ${onlyWide}`}>
          drive assumed: <strong>{HEAD_DRIVE_WORDS[planned.drive]}</strong>
        </p>
      )}
      <div className={`text-m ${onlyWide}`}>
        {!isHandTight && (
          <>
            {shown.low} to {shown.high} {shown.symbol}
            {isAssumed && <strong className="text-low"> assumed</strong>}{' '}
            <span className="text-faint whitespace-nowrap">{shown.otherwise}</span>{' '}
          </>
        )}
        <WhyHere fastener={fastener} view={view} />
      </div>
      {fastener.runOn && (
        <p className="flex flex-wrap items-center gap-x-3" data-testid="run-on">
          Run-on torque {writtenWords(fastener.runOn)}, added.
          {mayRemeasure(bench) && (
            <button
              type="button"
              className="min-h-11 text-layout underline underline-offset-3"
              onClick={bench.remeasure}
            >
              Measure it again
            </button>
          )}
        </p>
      )}
      {bench.action.kind === 'measure-run-on' && <RunOnLimit thread={planned.thread} />}
      <BenchWarnings fastener={fastener} view={view} />
      {isRound(group.kind, pass) && (
        <p className="mt-1 text-s text-faint">A round at full torque: you are asked whether it turned.</p>
      )}
    </div>
  );
});
