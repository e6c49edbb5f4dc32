import { useState } from 'react';
import { call } from '#client/api.ts';
import { may } from '#core/people/may.ts';
import type { Person } from '#core/people/person.ts';
import { toNewtonMetres, unitSymbol } from '#core/quantity/unit.ts';
import type { Tool } from '#core/tool/tool.ts';
import { OPERATIONS } from '#wire/api.ts';
import type { ProblemDetails } from '#wire/problems/problem-details.ts';
import { ProblemNotice } from '../shared/ProblemNotice.tsx';
import { ReadyForm } from '../shared/ReadyForm.tsx';
import { SessionReadings } from './SessionReadings.tsx';
import { SessionResult } from './SessionResult.tsx';
import { Shortfalls } from './Shortfalls.tsx';
import { peakText, pullOnTester, type SessionStage, useSession, useTester } from './use-session.ts';

type Props = {
  readonly tool: Tool;
  readonly person: Person;
  readonly today: string;
  readonly nextDue: string;
  readonly otherTools: readonly string[];
};

const KINDS = {
  'in-house': 'here, on the bench tester',
  'outside-lab': 'by an outside lab, from its certificate',
  'cross-check': 'quick check against another tool',
};
/** How far off the simulated tester lets a demo pull be, as shares of the setting. */
const DEMO_SPREAD = [0.004, -0.006, 0.011, -0.002, 0.007];

/** A guided calibration session: pre-loads, points, readings as the class asks; evaluated while it grows. */
export const SessionScreen = ({ tool, person, today, nextDue, otherTools }: Props) => {
  const session = useSession(tool, today, nextDue);
  const [stage, setStage] = useState<SessionStage>('asFound');
  const [isListening, setListening] = useState(false);
  const [problem, setProblem] = useState<ProblemDetails | null>(null);
  const { draft, plan, change } = session;
  const unit = unitSymbol(tool.scale.unit);
  const next = session.next(stage);
  const isConnected = useTester(isListening, (peak) => {
    if (next) session.type(stage, next.point, next.index, peakText(peak, tool));
  });
  const found = session.evaluation('asFound');
  const left = session.evaluation('asLeft');
  const shortfalls = session.shortfalls(left ? 'asLeft' : 'asFound');
  const isCheck = !may(person, 'calibrate-tool') || draft.kind === 'cross-check';
  const keep = async (): Promise<void> => {
    const answer = await call(OPERATIONS.keepSession, {
      id: session.id,
      toolId: tool.id,
      kind: !may(person, 'calibrate-tool') ? 'cross-check' : draft.kind,
      doneOn: draft.doneOn,
      reference: draft.reference,
      referenceExpandedPercent: Number(draft.referencePercent.replace(',', '.')) || 0,
      certificate: draft.certificate,
      asFound: session.points('asFound'),
      asLeft: left ? session.points('asLeft') : null,
      keepNarrowed: draft.keepNarrowed,
      nextDueOn: draft.nextDueOn,
      note: draft.note,
    });
    if (!answer.ok) return setProblem(answer.problem);
    session.forget();
    window.location.assign(`/tools/${tool.id}`);
  };
  return (
    <ReadyForm
      className="mx-auto grid max-w-6xl grid-cols-[minmax(0,1fr)] gap-4"
      onSubmit={() => void keep()}
    >
      <div>
        <p className="text-s text-faint">
          <a href={`/tools/${tool.id}`}>{tool.code}</a>
        </p>
        <h1 className="text-xl font-bold">{isCheck ? `Check ${tool.code}` : `Calibrate ${tool.code}`}</h1>
        <p>
          Class {tool.toolClass.replace('-', ' ')}: {plan.preloads}{' '}
          {plan.preloads === 1 ? 'pre-load' : 'pre-loads'} at {tool.scale.maximum} {unit}, then{' '}
          {plan.readingsEach} readings each at {plan.points.join(', ')} {unit}, from below.
        </p>
      </div>
      <section className="panel grid gap-3 p-4 sm:grid-cols-3">
        {may(person, 'calibrate-tool') && (
          <label>
            How it is done
            <select
              className="field mt-1"
              name="kind"
              value={draft.kind}
              onChange={(event) => change({ kind: event.target.value as typeof draft.kind })}
            >
              {Object.entries(KINDS).map(([kind, words]) => (
                <option key={kind} value={kind}>
                  {words}
                </option>
              ))}
            </select>
          </label>
        )}
        <label>
          What is taken as true
          <input
            className="field mt-1"
            name="reference"
            required
            maxLength={120}
            list="references"
            value={draft.reference}
            placeholder="bench tester BT-1"
            onChange={(event) => change({ reference: event.target.value })}
          />
          <datalist id="references">
            <option value="bench tester BT-1" />
            {otherTools.map((code) => (
              <option key={code} value={code} />
            ))}
          </datalist>
        </label>
        <label>
          Its expanded uncertainty (k = 2), %
          <input
            className="field mt-1 font-mono"
            name="referencePercent"
            inputMode="decimal"
            pattern="\d+([.,]\d+)?"
            required
            value={draft.referencePercent}
            onChange={(event) => change({ referencePercent: event.target.value })}
          />
        </label>
        {draft.kind === 'outside-lab' && (
          <label>
            Number of the certificate
            <input
              className="field mt-1"
              name="certificate"
              maxLength={80}
              value={draft.certificate}
              onChange={(event) => change({ certificate: event.target.value })}
            />
          </label>
        )}
        <label>
          Done on
          <input
            className="field mt-1"
            type="date"
            name="doneOn"
            required
            max={today}
            value={draft.doneOn}
            onChange={(event) => change({ doneOn: event.target.value })}
          />
        </label>
        {!isCheck && (
          <label>
            Due again on
            <input
              className="field mt-1"
              type="date"
              name="nextDueOn"
              required
              value={draft.nextDueOn}
              onChange={(event) => change({ nextDueOn: event.target.value })}
            />
          </label>
        )}
        <label className="flex min-h-11 items-center gap-2 self-end">
          <input
            type="checkbox"
            className="size-5 accent-layout"
            checked={draft.preloadsDone}
            onChange={(event) => change({ preloadsDone: event.target.checked })}
          />
          {plan.preloads} pre-loads at {tool.scale.maximum} {unit} are done
        </label>
      </section>
      <section className="panel grid gap-3 p-4">
        <div className="flex flex-wrap items-center gap-2">
          {(['asFound', 'asLeft'] as const).map((each) => (
            <button
              key={each}
              type="button"
              aria-pressed={stage === each}
              className="act-quiet aria-pressed:border-layout aria-pressed:font-bold"
              onClick={() => setStage(each)}
            >
              {each === 'asFound' ? 'As found' : 'As left, after adjusting'}
            </button>
          ))}
          <span className="flex-1" />
          <button
            type="button"
            className="act-quiet"
            aria-pressed={isListening}
            onClick={() => setListening(!isListening)}
          >
            {isListening
              ? isConnected
                ? 'Listening to the tester'
                : 'Connecting …'
              : 'Read from the bench tester'}
          </button>
          {isConnected && next && (
            <button
              type="button"
              className="act-quiet"
              onClick={() =>
                void pullOnTester(
                  toNewtonMetres(plan.points[next.point] ?? 1, tool.scale.unit) *
                    (1 + (DEMO_SPREAD[next.index % DEMO_SPREAD.length] ?? 0)),
                )
              }
            >
              Simulated pull
            </button>
          )}
        </div>
        <SessionReadings session={session} stage={stage} tool={tool} />
      </section>
      <SessionResult
        tool={tool}
        found={found}
        left={left}
        isWhole={(of) => session.shortfalls(of).length === 0}
      />
      {found && !found.hasPassed && !left?.hasPassed && (left ?? found).usable && !isCheck && (
        <label className="flex min-h-11 items-center gap-2">
          <input
            type="checkbox"
            className="size-5 accent-layout"
            checked={draft.keepNarrowed}
            onChange={(event) => change({ keepNarrowed: event.target.checked })}
          />
          keep it, for the part of its range where it is right
        </label>
      )}
      <Shortfalls shortfalls={isCheck || !found ? [] : shortfalls} />
      <ProblemNotice problem={problem} />
      <button
        type="submit"
        className="act sticky bottom-16 min-h-14 text-l sm:bottom-2"
        disabled={!found || !draft.preloadsDone}
      >
        {!draft.preloadsDone
          ? 'Pre-loads first'
          : found
            ? shortfalls.length > 0
              ? 'Keep as a cross-check'
              : 'Keep this session'
            : 'Type the first reading'}
      </button>
    </ReadyForm>
  );
};
