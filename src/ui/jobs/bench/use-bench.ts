import { useEffect, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import { buzzVerdict } from '#client/device/buzz.ts';
import type { ComfortStore } from '#client/device/comfort.ts';
import { say } from '#client/device/speech.ts';
import { playVerdictTone } from '#client/device/tone.ts';
import { type BenchAt, type BenchState, benchAt } from '#client/job/bench-state.ts';
import { type BenchStore, benchStore } from '#client/job/bench-store.ts';
import type { Person } from '#core/people/person.ts';
import type { OpenJob } from '../use-job.ts';
import { spokenWords } from './spoken-words.ts';

/** The bench on a job: what it shows, and what can be done. */
export type Bench = BenchState & BenchAt & Omit<BenchStore, 'snapshot' | 'subscribe'>;

/** Subscribes to the bench over a job, and says the next fastener where that is wanted. */
export const useBench = (job: OpenJob, comfort: ComfortStore, person: Person): Bench => {
  const [store] = useState(() =>
    benchStore(
      { ...job.store, person },
      {
        verdict: (isGood) => {
          buzzVerdict(isGood);
          if (comfort.snapshot().tone) playVerdictTone(isGood);
        },
        waitOver: () => {
          const { tone, speech } = comfort.snapshot();
          if (tone) playVerdictTone(true);
          if (speech) say('The time is up.');
        },
        go: (path) => window.location.assign(path),
        nowMs: () => performance.now(),
        isFewest: () => comfort.snapshot().fewest,
      },
    ),
  );
  useEffect(() => store.watch(), [store]);
  const state = useSyncExternalStore(store.subscribe, store.snapshot, store.snapshot);
  const { view } = job;
  const at = benchAt(view, state);
  const { fastener, action, lastPull } = at;
  const { refusal } = state;
  const said = useRef<string | null>(null);
  const lastSaid = useRef('');
  useEffect(() => {
    if (!comfort.snapshot().speech) return;
    const sentence = spokenWords(view, { action, fastener, lastPull, refusal }, said.current);
    said.current = lastPull?.pull.eventId ?? null;
    if (sentence !== lastSaid.current) say(sentence);
    lastSaid.current = sentence;
  }, [comfort, view, action, fastener, lastPull, refusal]);
  // The same for as long as nothing at the bench is otherwise: what waits to be sent redraws the head of the page and not the bench.
  return useMemo(() => ({ ...store, ...state, ...at }), [store, state, at]);
};
