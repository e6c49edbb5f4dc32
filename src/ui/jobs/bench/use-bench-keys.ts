import { useLayoutEffect } from 'react';
import { type BenchKey, benchKey } from './bench-keys.ts';
import type { Bench } from './use-bench.ts';

const answerKey = (bench: Bench, key: BenchKey): void => {
  const last = bench.lastPull?.fastener.planned.position;
  const actions: { readonly [K in BenchKey['kind']]: () => void } = {
    main: bench.typed === '' ? bench.doMain : () => bench.recordTyped(),
    digit: () => bench.type(key.kind === 'digit' ? key.character : ''),
    enter: () => bench.recordTyped(),
    escape: bench.clear,
    backspace: bench.typed === '' ? () => last && bench.ask('void') : bench.erase,
    move: () => bench.move(key.kind === 'move' ? key.by : 1),
    moved: bench.doMoved,
    'by-feel': () => bench.pull('by-feel', null),
    'over-shot': () => bench.pull('over-shot', null),
    witness: () => last && bench.happen({ kind: 'witness-marked', body: { position: last } }),
    're-pull': () => last && bench.choose(last),
    stands: bench.letStand,
    help: () => bench.ask('help'),
  };
  actions[key.kind]();
};

/** Lets the bench hear its keys while nothing stands over it. */
export const useBenchKeys = (bench: Bench): void => {
  // With the drawing and not after it: a key pressed as soon as the large action is there would else meet the bench of the moment before.
  useLayoutEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (bench.question !== null) return;
      // Only a question that is on screen is answered, whatever comes after a pull that is on its way.
      const isStands = bench.refusal?.code === 'mix-up-question' && event.key.toLowerCase() === 'y';
      const key: BenchKey | null = isStands ? { kind: 'stands' } : benchKey(event);
      if (!key) return;
      event.preventDefault();
      bench.inTurn((now) => {
        if (now.question === null) answerKey({ ...bench, ...now }, key);
      });
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [bench]);
};
