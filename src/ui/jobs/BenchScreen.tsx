import Speech from 'lucide-react/icons/audio-lines';
import Keyboard from 'lucide-react/icons/keyboard';
import Volume2 from 'lucide-react/icons/volume-2';
import { useEffect, useLayoutEffect, useState } from 'react';
import type { KeptEvent } from '#core/event/lifted.ts';
import type { JobRefusal } from '#core/job/refusal.ts';
import type { Person } from '#core/people/person.ts';
import { isIndicating, isPreset } from '#core/tool/tool.ts';
import { fromNewtonMetres, unitSymbol } from '#core/torque/unit.ts';
import { targetOrNull } from '#core/view/fastener-target.ts';
import { problemWords } from '#wire/problems/en.ts';
import { toolOutWords } from '#wire/words/tool.ts';
import { Dialog } from '../shared/Dialog.tsx';
import { Tape } from '../shared/Tape.tsx';
import { WhyDialog } from '../shared/WhyDialog.tsx';
import { BenchActions } from './BenchActions.tsx';
import { BenchFoot } from './BenchFoot.tsx';
import { BenchSetting } from './BenchSetting.tsx';
import { BenchVerdict } from './BenchVerdict.tsx';
import { BENCH_KEY_HELP, type BenchKey, benchKey } from './bench-keys.ts';
import { FastenerDrawing } from './FastenerDrawing.tsx';
import { JobHeader } from './JobHeader.tsx';
import { MakeSafe } from './MakeSafe.tsx';
import { requirementView } from './requirement-view.ts';
import { type Bench, type BenchComfort, useBench } from './use-bench.ts';
import { type OpenJob, useJob } from './use-job.ts';
import { Why } from './Why.tsx';

type Props = { readonly events: readonly KeptEvent[]; readonly person: Person };

const answerKey = (bench: Bench, key: BenchKey): void => {
  const last = bench.lastPull?.fastener.planned.position;
  const actions: { readonly [K in BenchKey['kind']]: () => void } = {
    main: bench.typed === '' ? bench.doMain : bench.recordTyped,
    digit: () => bench.type(key.kind === 'digit' ? key.character : ''),
    enter: bench.recordTyped,
    escape: bench.clear,
    backspace: bench.typed === '' ? () => last && bench.ask('void') : bench.erase,
    move: () => bench.move(key.kind === 'move' ? key.by : 1),
    'by-feel': () => bench.pull('by-feel', null, false),
    'over-shot': () => bench.pull('over-shot', null, false),
    witness: () => last && bench.happen({ kind: 'witness-marked', body: { position: last } }),
    're-pull': () => last && bench.choose(last),
    stands: bench.letStand,
    help: () => bench.ask('help'),
  };
  actions[key.kind]();
};

const useBenchKeys = (bench: Bench): void => {
  // With the drawing and not after it: a key pressed as soon as the large action is there would else meet the bench of the moment before.
  useLayoutEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (bench.question !== null) return;
      const isStands = bench.refusal?.code === 'mix-up-question' && event.key.toLowerCase() === 'y';
      const key: BenchKey | null = isStands ? { kind: 'stands' } : benchKey(event);
      if (!key) return;
      event.preventDefault();
      answerKey(bench, key);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [bench]);
};

const COMFORT_KEY = 'jentik-bench-comfort';

const useComfort = (): readonly [BenchComfort, (change: Partial<BenchComfort>) => void] => {
  const [comfort, setComfort] = useState<BenchComfort>({ tone: false, speech: false });
  useEffect(() => {
    const kept = (localStorage.getItem(COMFORT_KEY) ?? '').split(' ');
    setComfort({ tone: kept.includes('tone'), speech: kept.includes('speech') });
  }, []);
  const change = (part: Partial<BenchComfort>): void => {
    const next = { ...comfort, ...part };
    setComfort(next);
    localStorage.setItem(
      COMFORT_KEY,
      Object.entries(next)
        .flatMap(([name, isOn]) => (isOn ? [name] : []))
        .join(' '),
    );
  };
  return [comfort, change];
};

const windDownWords = ({ tool, plan }: OpenJob['state']): string => {
  if (!tool || isIndicating(tool) || isPreset(tool)) return 'Put the tool away, then sign.';
  const rest = plan.schools.windingDown === 'zero' ? 0 : tool.restSetting;
  const never = plan.schools.windingDown === 'zero' ? '' : ', never below';
  return `Wind ${tool.code} down to ${rest} ${unitSymbol(tool.scale.unit)}${never}, then sign.`;
};

const Target = ({ bench, job }: { readonly bench: Bench; readonly job: OpenJob }) => {
  const { fastener } = bench;
  const { state } = job;
  if (!fastener)
    return (
      <div>
        <h2 className="text-xl font-bold">
          {state.signatures.length > 0 ? 'The job is signed' : 'Every fastener is pulled'}
        </h2>
        <p className="text-faint">
          {state.signatures.length > 0 ? 'Its record is under Sign.' : windDownWords(state)}
        </p>
      </div>
    );
  const { planned } = fastener;
  const view = requirementView(state, fastener);
  const isAssumed = targetOrNull(state, fastener)?.steps.some(({ assumed }) => assumed) ?? false;
  return (
    <div>
      <p className="text-s text-faint">
        {(state.placeOf.get(planned.position) ?? 0) + 1} of {state.fasteners.length} ·{' '}
        {planned.conductor || 'no conductor named'} · pass 1 of 1
        {fastener.pulls.length > 0 && ` · pull ${fastener.pulls.length + 1}`}
      </p>
      <h2 className="text-xl leading-7 font-bold" data-testid="current-fastener">
        <span data-testid="current-position">{planned.position}</span> {planned.label}
      </h2>
      <p className="flex items-baseline gap-3 leading-none">
        <span className="text-figure leading-[1.05] font-bold tracking-tight">{view.target}</span>
        <span className="text-xl">{view.symbol}</span>
      </p>
      <div className="text-m">
        {view.low} to {view.high} {view.symbol}
        {isAssumed && <strong className="text-low"> assumed</strong>}{' '}
        <span className="text-faint whitespace-nowrap">{view.otherwise}</span>{' '}
        <details className="inline-block open:block">
          <summary className="inline cursor-pointer py-2 text-layout underline underline-offset-3">
            why
          </summary>
          <div className="mt-2 rounded-md border border-rule p-3">
            <Why fastener={fastener} job={state} />
          </div>
        </details>
      </div>
    </div>
  );
};

const Reading = ({ bench, job }: { readonly bench: Bench; readonly job: OpenJob }) => {
  const { fastener, action, typed } = bench;
  const { tool } = job.state;
  const target = fastener ? targetOrNull(job.state, fastener) : null;
  if (!target || !tool || (action.kind !== 'pull' && action.kind !== 'set-tool')) return null;
  const { unit, graduation } = tool.scale;
  const reading = Number(typed.replace(',', '.'));
  const isTyped = typed !== '' && Number.isFinite(reading);
  return (
    <div className="mx-auto w-full max-w-[404px]">
      <Tape
        value={isTyped ? reading : action.wanted.setting}
        low={fromNewtonMetres(target.low, unit) / job.state.adapterFactor}
        high={fromNewtonMetres(target.high, unit) / job.state.adapterFactor}
        unit={unitSymbol(unit)}
        graduation={graduation}
        caption={
          isTyped ? typed : `${isIndicating(tool) ? 'pull to' : 'a click reads'} ${action.wanted.text}`
        }
        height={46}
      />
    </div>
  );
};

const NotThisTool = ({
  refusal,
  code,
}: {
  readonly refusal: JobRefusal;
  readonly code: string | undefined;
}) => (
  <p className="rounded-md border-2 border-low p-3">
    {refusal.code === 'tool-blocked' ? (
      <>
        <strong>Put {code} away:</strong> {toolOutWords(refusal.blocks)}.
      </>
    ) : (
      <>
        <strong>{code} can’t do this.</strong> {problemWords(refusal).cause}
      </>
    )}
  </p>
);

/** The bench: one fastener at a time, hands free. */
export const BenchScreen = ({ events, person }: Props) => {
  const job = useJob(events[0]?.job ?? '', events, person);
  const [comfort, changeComfort] = useComfort();
  const bench = useBench(job, comfort);
  useBenchKeys(bench);
  const { state } = job;
  const close = (): void => bench.ask(null);
  return (
    <>
      <JobHeader job={job} tab="bench" />
      <div className="flex min-h-0 flex-1 flex-col lg:flex-row">
        <section className="flex min-h-0 flex-col lg:flex-1" aria-label="Drawing">
          <div className="h-38 p-2 sm:h-72 sm:p-3 lg:h-auto lg:min-h-0 lg:flex-1">
            <FastenerDrawing
              fasteners={state.fasteners}
              seenFrom={state.plan.seenFrom}
              next={bench.position}
              coming={bench.coming.slice(0, 3)}
              onChoose={bench.choose}
            />
          </div>
          <div className="hidden lg:block">
            <BenchFoot state={state} coming={bench.coming} onChoose={bench.choose} />
          </div>
        </section>
        <section
          className="flex min-h-0 flex-col gap-3 border-rule bg-sheet px-4 py-3 max-lg:border-t lg:w-[452px] lg:overflow-y-auto lg:border-l lg:px-6"
          aria-label="Bench"
        >
          <Target bench={bench} job={job} />
          {(bench.action.kind === 'set-tool' || bench.action.kind === 'pull') && (
            <BenchSetting state={state} action={bench.action} />
          )}
          {bench.action.kind === 'another-tool' && <NotThisTool {...bench.action} code={state.tool?.code} />}
          <Reading bench={bench} job={job} />
          <span className="hidden flex-1 lg:block" />
          <div className="sticky bottom-14 -mx-4 grid gap-2 border-rule bg-sheet px-4 py-2 max-lg:border-t sm:bottom-0 lg:static lg:m-0 lg:p-0">
            <BenchVerdict bench={bench} job={job} />
            <BenchActions bench={bench} state={state} isReady={job.isReady} />
          </div>
          <div className="flex justify-between gap-2 text-s">
            <label className="flex min-h-11 items-center gap-2">
              <input
                type="checkbox"
                className="size-5 accent-layout"
                checked={comfort.tone}
                onChange={(event) => changeComfort({ tone: event.target.checked })}
              />
              <Volume2 size={18} aria-hidden="true" /> tone
            </label>
            <label className="flex min-h-11 items-center gap-2">
              <input
                type="checkbox"
                className="size-5 accent-layout"
                checked={comfort.speech}
                onChange={(event) => changeComfort({ speech: event.target.checked })}
              />
              <Speech size={18} aria-hidden="true" /> say the next
            </label>
            <button
              type="button"
              className="flex min-h-11 items-center gap-2 text-layout"
              onClick={() => bench.ask('help')}
            >
              <Keyboard size={18} aria-hidden="true" /> keys <span className="key">?</span>
            </button>
          </div>
          <div className="lg:hidden">
            <BenchFoot state={state} coming={bench.coming} onChoose={bench.choose} />
          </div>
        </section>
      </div>
      {bench.question === 'make-safe' && (
        <MakeSafe
          jobKind={state.plan.jobKind}
          person={person.name}
          onClose={close}
          onConfirm={(cautions) => {
            bench.happen({ kind: 'cautions-confirmed', body: { cautions } });
            close();
          }}
        />
      )}
      {bench.question === 'void' && bench.lastPull && (
        <WhyDialog
          title={`Void the pull on ${bench.lastPull.fastener.planned.position}`}
          explanation="It is struck out and stays in the record. The fastener is open again."
          action="Void it"
          usual={['wrong fastener', 'reading mistyped', 'bit slipped', 'wrong setting']}
          onClose={close}
          onDone={(why) => {
            const { pull, fastener } = bench.lastPull as NonNullable<Bench['lastPull']>;
            if (bench.happen({ kind: 'pull-voided', body: { pullId: pull.eventId, why } }))
              bench.choose(fastener.planned.position);
            close();
          }}
        />
      )}
      {bench.question === 'help' && (
        <Dialog title="Keys" onClose={close}>
          <dl className="grid gap-2">
            {BENCH_KEY_HELP.map(([key, does]) => (
              <div key={key} className="grid grid-cols-[10rem_1fr] gap-3">
                <dt className="font-mono font-bold">{key}</dt>
                <dd>{does}</dd>
              </div>
            ))}
          </dl>
        </Dialog>
      )}
    </>
  );
};
