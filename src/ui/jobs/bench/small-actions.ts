import type { JobView } from '#core/view/job-view.ts';
import { isRoundNext } from '#core/view/passes.ts';
import type { Bench } from './use-bench.ts';

/** One of the small actions below the large one, with its key. */
export type SmallAction = {
  readonly name: string;
  readonly keyName: string;
  readonly isOn: boolean;
  readonly act: () => void;
};

const atStep = (bench: Bench): readonly SmallAction[] => {
  if (bench.action.kind !== 'step') return [];
  const { step } = bench.action.due;
  const isInspection = step.act.kind === 'inspect';
  return [
    ...(isInspection
      ? [{ name: 'Not good', keyName: '', isOn: true, act: () => bench.ask('step-not-good') }]
      : []),
    step.isBlocking
      ? { name: 'Leave it', keyName: '', isOn: true, act: () => bench.ask('leave-step') }
      : { name: 'Pass over', keyName: '', isOn: true, act: () => bench.doStep({ kind: 'left', why: '' }) },
  ];
};

/** The small actions of the bench as it stands. */
export const smallActions = (bench: Bench, view: JobView): readonly SmallAction[] => {
  const { action, fastener, lastPull } = bench;
  const isSigned = view.signatures.length > 0;
  const last = lastPull?.fastener;
  const isRound = fastener !== undefined && isRoundNext(view, fastener);
  const first: SmallAction = isRound
    ? { name: 'It moved', keyName: 'M', isOn: action.kind === 'pull', act: bench.doMoved }
    : {
        name: 'By feel',
        keyName: 'B',
        isOn:
          view.cautions !== null &&
          fastener !== undefined &&
          !fastener.isPastLimit &&
          !isSigned &&
          action.kind !== 'step' &&
          action.kind !== 'finger-tighten',
        act: () => bench.pull('by-feel', null),
      };
  return [
    ...atStep(bench),
    {
      name: 'Over-shot',
      keyName: 'O',
      isOn: action.kind === 'pull',
      act: () => bench.pull('over-shot', null),
    },
    first,
    { name: 'Void last', keyName: '⌫', isOn: last !== undefined && !isSigned, act: () => bench.ask('void') },
    {
      name: 'Marked',
      keyName: 'W',
      isOn: last?.status === 'in' && !last.isWitnessMarked && !isSigned,
      act: () => last && bench.happen({ kind: 'witness-marked', body: { position: last.planned.position } }),
    },
    {
      name: 'Re-pull',
      keyName: 'R',
      isOn: last !== undefined,
      act: () => last && bench.choose(last.planned.position),
    },
  ].slice(0, 5);
};
