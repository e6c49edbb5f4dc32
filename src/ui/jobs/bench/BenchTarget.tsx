import { detailWords, groupOf } from '#core/job/plan.ts';
import { unitSymbol } from '#core/quantity/unit.ts';
import { isIndicating, isPreset } from '#core/tool/tool.ts';
import { targetOrNull } from '#core/view/fastener-target.ts';
import type { JobView } from '#core/view/job-view.ts';
import { isFullPass, isRound, nextPass } from '#core/view/passes.ts';
import { toolFor } from '#core/view/tool-for.ts';
import { passWords } from '#wire/words/joint.ts';
import { requirementView } from '../requirement-view.ts';
import { Why } from '../Why.tsx';
import { BenchWarnings } from './BenchWarnings.tsx';
import type { Bench } from './use-bench.ts';

const windDownWords = ({ takenTools, toolsOf, plan }: JobView): string => {
  const atHand = new Set([...toolsOf.values()].flat());
  const set = [...takenTools.values()].filter(
    ({ tool }) => atHand.has(tool.id) && !isIndicating(tool) && !isPreset(tool),
  );
  if (set.length === 0) return 'Put the tool away, then sign.';
  const isZero = plan.schools.windingDown === 'zero';
  const each = set.map(
    ({ tool }) => `${tool.code} down to ${isZero ? 0 : tool.restSetting} ${unitSymbol(tool.scale.unit)}`,
  );
  return `Wind ${each.join(' and ')}${isZero ? '' : ', never below'}, then sign.`;
};

const Finished = ({ bench, view }: { readonly bench: Bench; readonly view: JobView }) => {
  const isSigned = view.signatures.length > 0;
  const isDone = bench.action.kind === 'sign' || isSigned;
  return (
    <div>
      <h2 className="text-xl font-bold">
        {isSigned
          ? 'The job is signed'
          : isDone
            ? 'Every fastener is pulled'
            : 'Pulled; something is still due'}
      </h2>
      <p className="text-faint">{isSigned ? 'Its record is under Sign.' : isDone && windDownWords(view)}</p>
    </div>
  );
};

/** The fastener in front: where it is, what it is, the torque it gets and why, with which tool, in which pass. */
export const BenchTarget = ({ bench, view }: { readonly bench: Bench; readonly view: JobView }) => {
  const { fastener } = bench;
  if (!fastener) return <Finished bench={bench} view={view} />;
  const { planned } = fastener;
  const group = groupOf(view.plan, planned);
  const taken = toolFor(view, fastener);
  const pass = nextPass(view, fastener);
  const shown = requirementView(view, fastener, taken?.tool ?? null, pass);
  const full = requirementView(view, fastener, taken?.tool ?? null);
  const isFull = isFullPass(group.kind, pass);
  const isByHand = planned.requirement.requirement.kind === 'finger-tight';
  const isAssumed = targetOrNull(view, fastener)?.steps.some(({ assumed }) => assumed) ?? false;
  // On a phone a step that is due has the room: the torque comes after it.
  const onlyWide = bench.action.kind === 'step' ? 'max-sm:hidden' : '';
  const facts = [
    `${(view.indexByPosition.get(planned.position) ?? 0) + 1} of ${view.fasteners.length}`,
    view.plan.groups.length > 1 ? group.title : '',
    ...detailWords(view.plan, planned),
    planned.thread,
    planned.direction === 'left' ? 'left-hand thread' : '',
    planned.isSingleUse ? 'single use' : '',
    isByHand ? '' : passWords(group.kind, pass),
    fastener.pulls.length > 0 ? `pull ${fastener.pulls.length + 1}` : '',
    taken ? `with ${taken.tool.code}` : '',
  ].filter(Boolean);
  return (
    <div>
      <p className="text-s text-faint">{facts.join(' · ')}</p>
      <h2 className="text-xl leading-7 font-bold" data-testid="current-fastener">
        <span data-testid="current-position">{planned.position}</span> {planned.label}
      </h2>
      {isByHand ? (
        <p className="text-2xl leading-tight font-bold">finger tight</p>
      ) : (
        <p className={`flex items-baseline gap-3 leading-none ${onlyWide}`}>
          <span className="text-figure leading-[1.05] font-bold tracking-tight">{shown.target}</span>
          <span className="text-xl">{shown.symbol}</span>
          {!isFull && (
            <span className="text-m text-faint">
              of {full.target} {full.symbol} at full torque
            </span>
          )}
        </p>
      )}
      <div className={`text-m ${onlyWide}`}>
        {!isByHand && (
          <>
            {shown.low} to {shown.high} {shown.symbol}
            {isAssumed && <strong className="text-low"> assumed</strong>}{' '}
            <span className="text-faint whitespace-nowrap">{shown.otherwise}</span>{' '}
          </>
        )}
        <details className="inline-block open:block">
          <summary className="inline cursor-pointer py-2 text-layout underline underline-offset-3">
            why
          </summary>
          <div className="mt-2 rounded-md border border-rule p-3">
            <Why fastener={fastener} job={view} />
          </div>
        </details>
      </div>
      <BenchWarnings fastener={fastener} view={view} />
      {isRound(group.kind, pass) && (
        <p className="mt-1 text-s text-faint">Moved means: {group.kind.words.moved}.</p>
      )}
    </div>
  );
};
