import { useLayoutEffect } from 'react';
import { type BenchKey, benchKey } from './bench-keys.ts';
import type { Bench } from './use-bench.ts';

const answerKey = (bench: Bench, key: BenchKey, pressedAtMs: number): void => {
  const last = bench.lastPull?.fastener.planned.position;
  const actions: { readonly [K in BenchKey['kind']]: () => void } = {
    main: bench.typed === '' ? () => bench.doMain(pressedAtMs) : bench.recordTyped,
    digit: () => bench.type(key.kind === 'digit' ? key.character : ''),
    enter: bench.recordTyped,
    escape: bench.clear,
    backspace: bench.typed === '' ? () => bench.ownPull && bench.ask('void') : bench.erase,
    move: () => bench.move(key.kind === 'move' ? key.by : 1),
    'by-feel': () => bench.pull('by-feel', null),
    'over-shot': () => bench.pull('over-shot', null),
    witness: () => last && bench.happen({ kind: 'witness-marked', body: { position: last } }),
    're-pull': () => last && bench.choose(last),
    help: () => bench.ask('help'),
    legend: () => bench.ask('legend'),
    else: () => bench.ask('else'),
  };
  actions[key.kind]();
};

/** What a key answers while a likely mix-up is asked about; null where it answers nothing. Only a question that is on screen is answered. */
const answerOf = (bench: Bench, event: KeyboardEvent): (() => void) | null => {
  if (bench.refusal?.code !== 'mix-up-question') return null;
  if (event.key.toLowerCase() === 'y') return bench.letStand;
  return event.key === 'Escape' ? bench.clear : null;
};

/** Lets the bench hear its keys while nothing stands over it. */
export const useBenchKeys = (bench: Bench): void => {
  // With the drawing and not after it: a key pressed as soon as the large action is there would else meet the bench of the moment before.
  useLayoutEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (bench.question !== null || document.querySelector('[role=dialog]')) return;
      const answer = answerOf(bench, event);
      const key = answer ? null : benchKey(event);
      if (!answer && !key) return;
      event.preventDefault();
      bench.inTurn((now) => {
        if (now.question !== null) return;
        if (key) answerKey({ ...bench, ...now }, key, event.timeStamp);
        else answer?.();
      });
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [bench]);
};

/** Lets go of the focus that a tap or a click leaves on a button: the next pulse of a pedal is the bench's, and not the same button's again. A key that worked a
 *  button leaves the focus where it is. */
export const letGo = ({ detail }: { readonly detail: number }): void => {
  const { activeElement } = document;
  if (detail > 0 && activeElement instanceof HTMLButtonElement) activeElement.blur();
};
