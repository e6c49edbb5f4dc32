import { useCallback, useEffect, useMemo, useState } from 'react';
import { say } from '#client/speech.ts';
import { playVerdictTone } from '#client/tone.ts';
import { judgePull } from '#core/command/judge-pull.ts';
import type { JobHappening } from '#core/event/event.ts';
import type { PullMethod } from '#core/job/pull.ts';
import type { JobRefusal } from '#core/job/refusal.ts';
import { NUMBER_MAX_LENGTH, readNumber } from '#core/torque/read-number.ts';
import { type FastenerView, fastenerAt, type PullRecord } from '#core/view/bench.ts';
import { type NextAction, nextAction } from '#core/view/next-action.ts';
import { comingPositions } from '#core/view/open-items.ts';
import { requirementView } from './requirement-view.ts';
import type { OpenJob } from './use-job.ts';

/** What stands over the bench and takes its keys until it is answered. */
export type BenchQuestion = 'make-safe' | 'void' | 'help' | null;

export type BenchComfort = { readonly tone: boolean; readonly speech: boolean };

export type Bench = {
  readonly position: string | null;
  readonly fastener: FastenerView | undefined;
  readonly action: NextAction;
  readonly coming: readonly string[];
  /** Digits typed so far, in the tool's unit. */
  readonly typed: string;
  /** The last thing that was refused; for a likely mix-up, the question that waits for an answer. */
  readonly refusal: JobRefusal | null;
  readonly lastPull: { readonly fastener: FastenerView; readonly pull: PullRecord } | null;
  readonly question: BenchQuestion;
  readonly choose: (position: string) => void;
  readonly move: (by: 1 | -1) => void;
  readonly type: (character: string) => void;
  readonly erase: () => void;
  readonly doMain: () => void;
  readonly pull: (method: PullMethod, readingText: string | null, readingStands: boolean) => void;
  readonly recordTyped: () => void;
  readonly letStand: () => void;
  readonly happen: (happening: JobHappening) => boolean;
  readonly ask: (question: BenchQuestion) => void;
  readonly clear: () => void;
};

const lastPullOf = (job: OpenJob): Bench['lastPull'] => {
  const { lastPull } = job.state;
  const fastener = lastPull ? fastenerAt(job.state, lastPull.position) : undefined;
  const pull = fastener?.pulls.find(({ eventId }) => eventId === lastPull?.eventId);
  return fastener && pull ? { fastener, pull } : null;
};

/** The bench's own state beside the job's: which fastener, what is typed, what was refused, what is asked. */
export const useBench = (job: OpenJob, comfort: BenchComfort): Bench => {
  const { state } = job;
  const [chosen, setChosen] = useState<string | null>(null);
  const [typed, setTyped] = useState('');
  const [refusal, setRefusal] = useState<JobRefusal | null>(null);
  const [question, setQuestion] = useState<BenchQuestion>(null);

  const position = chosen ?? comingPositions(state, null)[0] ?? null;
  const fastener = position === null ? undefined : fastenerAt(state, position);
  const action = nextAction(state, position);
  const coming = useMemo(
    () => comingPositions(state, position).filter((each) => each !== position),
    [state, position],
  );

  const clear = useCallback((): void => {
    setTyped('');
    setRefusal(null);
  }, []);

  const choose = useCallback(
    (next: string | null): void => {
      setChosen(next);
      clear();
    },
    [clear],
  );

  const happen = useCallback(
    (happening: JobHappening): boolean => {
      const next = job.happen(happening);
      setRefusal(next.ok ? null : next.refusal);
      return next.ok;
    },
    [job],
  );

  useEffect(() => {
    if (!comfort.speech || !fastener) return;
    const { target, symbol } = requirementView(state, fastener);
    say(`${fastener.planned.position}, ${fastener.planned.label}: ${target} ${symbol}`);
  }, [comfort.speech, fastener, state]);

  const pull = (method: PullMethod, readingText: string | null, readingStands: boolean): void => {
    if (!job.isReady || position === null) return;
    const judged = judgePull(state, { position, method, readingText, readingStands });
    if (!judged.ok) {
      setRefusal(judged.refusal);
      return;
    }
    if (!happen({ kind: 'pull-made', body: judged.value })) return;
    setTyped('');
    const { outcome } = judged.value;
    if (comfort.tone) playVerdictTone(outcome === 'in');
    // One that is out stays in front of the person until it is mended or they choose to move on.
    if (outcome === 'in' || outcome === 'by-feel')
      setChosen(comingPositions(state, position).find((each) => each !== position) ?? null);
    else setChosen(position);
  };

  const recordRunOn = (): void => {
    const number = readNumber(typed);
    if (!number.ok) setRefusal(number.refusal);
    if (!number.ok || !state.tool || position === null) return;
    const torque = { ...number.value, unit: state.tool.scale.unit };
    if (happen({ kind: 'run-on-measured', body: { position, torque } })) setTyped('');
  };

  const doMain = (): void => {
    if (!job.isReady) return;
    if (action.kind === 'make-safe') setQuestion('make-safe');
    if (action.kind === 'choose-tool' || action.kind === 'another-tool')
      window.location.assign(`/jobs/${state.job}/plan`);
    if (action.kind === 'sign' || action.kind === 'signed') window.location.assign(`/jobs/${state.job}/sign`);
    if (action.kind === 'loosen' && position) happen({ kind: 'fastener-loosened', body: { position } });
    if (action.kind === 'set-tool' && state.tool) {
      const { text, setting: value } = action.wanted;
      const setting = { text, value, unit: state.tool.scale.unit };
      happen({ kind: 'tool-set', body: { toolId: state.tool.id, setting } });
    }
    if (action.kind === 'pull') pull('click', null, false);
  };

  const move = (by: 1 | -1): void => {
    const place = position === null ? -1 : (state.placeOf.get(position) ?? -1);
    const count = state.fasteners.length;
    choose(state.fasteners[(place + by + count) % count]?.planned.position ?? null);
  };

  return {
    position,
    fastener,
    action,
    coming,
    typed,
    refusal,
    lastPull: lastPullOf(job),
    question,
    choose,
    move,
    type: (character) => {
      setRefusal(null);
      setTyped((text) => (text + character).slice(0, NUMBER_MAX_LENGTH));
    },
    erase: () => setTyped((text) => text.slice(0, -1)),
    doMain,
    pull,
    recordTyped: () => {
      if (typed === '') return;
      if (action.kind === 'measure-run-on') recordRunOn();
      else pull('reading', typed, false);
    },
    letStand: () => pull('reading', typed, true),
    happen,
    ask: setQuestion,
    clear,
  };
};
