import { isIndicating } from '#core/tool/tool.ts';
import { unitSymbol } from '#core/torque/unit.ts';
import { fastenerAt } from '#core/view/bench.ts';
import type { JobView } from '#core/view/job-view.ts';
import type { NextAction } from '#core/view/next-action.ts';
import type { Bench } from './use-bench.ts';

const mainWords = (action: NextAction, state: JobView, position: string | null): string => {
  const tool = state.tool?.code ?? 'the tool';
  switch (action.kind) {
    case 'choose-tool':
      return 'Choose the tool';
    case 'make-safe':
      return 'Make safe first';
    case 'loosen':
      return `${position} is loosened, thread inspected`;
    case 'measure-run-on':
      return `Type the run-on torque of ${position}`;
    case 'set-tool':
      return `${tool} is set to ${action.wanted.text} ${state.tool ? unitSymbol(state.tool.scale.unit) : ''}`;
    case 'pull':
      return state.tool && isIndicating(state.tool) ? 'Type what it showed' : 'It clicked';
    case 'another-tool':
      return 'Choose another tool';
    case 'sign':
      return 'Nothing left to pull: sign';
    case 'signed':
      return 'Signed: see the record';
  }
};

type Small = {
  readonly name: string;
  readonly keyName: string;
  readonly isOn: boolean;
  readonly act: () => void;
};

/** The one large action, and the small ones, each with its key. */
export const BenchActions = ({
  bench,
  state,
  isReady,
}: {
  readonly bench: Bench;
  readonly state: JobView;
  readonly isReady: boolean;
}) => {
  const { action, position, lastPull } = bench;
  const mayPull = action.kind === 'pull';
  const isTyping = bench.typed !== '';
  const fastener = position === null ? undefined : fastenerAt(state, position);
  const small: readonly Small[] = [
    { name: 'Over-shot', keyName: 'O', isOn: mayPull, act: () => bench.pull('over-shot', null, false) },
    {
      name: 'By feel',
      keyName: 'B',
      isOn:
        state.cautions !== null &&
        fastener !== undefined &&
        !fastener.isPastLimit &&
        state.signatures.length === 0,
      act: () => bench.pull('by-feel', null, false),
    },
    {
      name: 'Void last',
      keyName: '⌫',
      isOn: lastPull !== null && state.signatures.length === 0,
      act: () => bench.ask('void'),
    },
    {
      name: 'Marked',
      keyName: 'W',
      isOn:
        lastPull?.fastener.status === 'in' &&
        !lastPull.fastener.isWitnessMarked &&
        state.signatures.length === 0,
      act: () =>
        lastPull &&
        bench.happen({ kind: 'witness-marked', body: { position: lastPull.fastener.planned.position } }),
    },
    {
      name: 'Re-pull',
      keyName: 'R',
      isOn: lastPull !== null,
      act: () => lastPull && bench.choose(lastPull.fastener.planned.position),
    },
  ];
  return (
    <div className="grid gap-2">
      {isTyping && (mayPull || action.kind === 'measure-run-on') ? (
        <button
          type="button"
          className="act min-h-18 w-full justify-between rounded-lg px-5 text-xl font-bold"
          onClick={bench.recordTyped}
        >
          <span>
            {mayPull ? 'Record' : 'Run-on torque'} {bench.typed}{' '}
            {state.tool ? unitSymbol(state.tool.scale.unit) : ''}
          </span>
          <span className="key">Enter</span>
        </button>
      ) : (
        <button
          type="button"
          disabled={!isReady}
          className="act min-h-18 w-full justify-between rounded-lg px-5 text-left text-xl leading-7 font-bold"
          onClick={bench.doMain}
          data-testid="main-action"
        >
          <span>{mainWords(action, state, position)}</span>
          <span className="key">Space</span>
        </button>
      )}
      <div className="grid grid-cols-5 gap-2">
        {small.map(({ name, keyName, isOn, act }) => (
          <button
            key={name}
            type="button"
            disabled={!isOn}
            className="act-quiet min-h-14 flex-col gap-0.5 px-1 py-1.5 text-s leading-4"
            onClick={act}
          >
            {name}
            <span className="key max-sm:hidden">{keyName}</span>
          </button>
        ))}
      </div>
    </div>
  );
};
