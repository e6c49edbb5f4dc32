import Camera from 'lucide-react/icons/camera';
import Eye from 'lucide-react/icons/eye';
import Hourglass from 'lucide-react/icons/hourglass';
import Ruler from 'lucide-react/icons/ruler';
import SquareCheck from 'lucide-react/icons/square-check';
import { lazy, memo } from 'react';
import { stepTitle } from '#core/job/plan.ts';
import type { JointStep } from '#core/joint/joint-step.ts';
import type { Person } from '#core/people/person.ts';
import type { DueStep } from '#core/view/due-steps.ts';
import type { JobView } from '#core/view/job-view.ts';
import { limitsWords, STAGE_WORDS, stepResultWords, stepSourceWords } from '#wire/words/joint.ts';
import { Later } from '../../kit/Later.tsx';
import { Instruments } from './Instruments.tsx';
import { loadPhotograph, loadWait } from './later.ts';
import type { Bench } from './use-bench.ts';

const TakePicture = lazy(loadPhotograph);
const WaitLeft = lazy(loadWait);

const ICONS: Readonly<Record<JointStep['act']['kind'], typeof Eye>> = {
  confirm: SquareCheck,
  measure: Ruler,
  wait: Hourglass,
  photograph: Camera,
  inspect: Eye,
};

const whereWords = ({ group, of, step, afterPass }: DueStep, view: JobView): string => {
  const part = group?.parts.find(({ code }) => code === of);
  return [
    STAGE_WORDS[step.stage],
    group && view.plan.groups.length > 1 ? group.title : '',
    part ? `${part.name} ${part.code}` : (of ?? ''),
    afterPass === null ? '' : `after pass ${afterPass}`,
    stepSourceWords(step),
  ]
    .filter(Boolean)
    .join(' · ');
};

/** Where a row of steps stands, and why it begins again where it does. */
const RowSoFar = ({
  row: { done, of, instrument, brokenBy },
  view,
}: {
  readonly row: NonNullable<DueStep['inRow']>;
  readonly view: JobView;
}) => (
  <>
    <p className="text-s">
      {done + 1} of {of}, one after the other, with {instrument ?? 'one instrument'}
    </p>
    {brokenBy && (
      <p className="font-semibold text-high" data-testid="row-broken">
        From the first again: {stepTitle(view.plan, brokenBy).toLowerCase()} came to{' '}
        {stepResultWords(brokenBy.result, brokenBy.waitedMinutes)}. What came before it proves nothing now.
      </p>
    )}
  </>
);

type Props = { readonly bench: Bench; readonly view: JobView; readonly person: Person };

/** The step that is due: what to do, what is wanted of it, and what it is measured with. */
export const BenchStep = memo(({ bench, view, person }: Props) => {
  const { action, typed } = bench;
  if (action.kind !== 'step') return null;
  const { due } = action;
  const { step, limits, last, inRow } = due;
  const Icon = ICONS[step.act.kind];
  return (
    <section
      aria-label="Step"
      className="grid gap-2 rounded-md border-2 border-layout p-3"
      data-testid="step"
    >
      <p className="text-s text-faint">{whereWords(due, view)}</p>
      <h3 className="flex items-center gap-2 text-l font-bold">
        <Icon size={22} aria-hidden="true" /> {step.title}
      </h3>
      {step.detail && <p>{step.detail}</p>}
      {step.act.kind === 'wait' && (
        <Later>
          <WaitLeft due={due} onOver={bench.tellWaitOver} />
        </Later>
      )}
      {limits && (
        <p className="text-xl font-bold">
          {typed !== '' && `${typed} ${limits.unit} · `}
          {limitsWords(limits)}
        </p>
      )}
      {inRow && <RowSoFar row={inRow} view={view} />}
      {last && !last.isGood && last !== inRow?.brokenBy && (
        <p className="font-semibold text-high">
          Last time: {stepResultWords(last.result, last.waitedMinutes)}
        </p>
      )}
      {limits && <Instruments bench={bench} view={view} />}
      {step.act.kind === 'photograph' && (
        <Later>
          <TakePicture
            job={view.job}
            person={person}
            words="Take the photograph"
            onTaken={(picture) => bench.doStep({ kind: 'photographed', ...picture })}
          />
        </Later>
      )}
    </section>
  );
});
