import { may } from '#core/people/may.ts';
import type { Person } from '#core/people/person.ts';
import { rulesOf } from '#core/rules/rules-by-number.ts';
import type { JobView } from '#core/view/job-view.ts';
import type { Bench } from './use-bench.ts';

/** One of the small actions below the large one, with its key. */
export type SmallAction = {
  readonly name: string;
  readonly keyName: string;
  readonly isOn: boolean;
  readonly act: () => void;
};

const atStep = (bench: Bench, view: JobView, person: Person): readonly SmallAction[] => {
  if (bench.action.kind === 'inspect')
    return [{ name: 'Not good', keyName: '', isOn: true, act: () => bench.ask('inspected-not-good') }];
  if (bench.action.kind === 'turn')
    return [
      {
        name: bench.isInSixths ? 'In degrees' : 'Count flats',
        keyName: '',
        isOn: true,
        act: () => bench.countSixths(!bench.isInSixths),
      },
    ];
  if (bench.action.kind !== 'step') return [];
  const mayLeave = !(rulesOf(view.rules)?.leadLeavesSteps ?? false) || may(person, 'leave-step');
  const { step } = bench.action.due;
  const isInspection = step.act.kind === 'inspect';
  return [
    ...(isInspection
      ? [{ name: 'Not good', keyName: '', isOn: true, act: () => bench.ask('step-not-good') }]
      : []),
    step.isBlocking
      ? { name: 'Leave it', keyName: '', isOn: mayLeave, act: () => bench.ask('leave-step') }
      : { name: 'Pass over', keyName: '', isOn: true, act: () => bench.doStep({ kind: 'left', why: '' }) },
  ];
};

/** The small actions of the bench as it stands. */
export const smallActions = (bench: Bench, view: JobView, person: Person): readonly SmallAction[] => {
  const { action, fastener, lastPull, ownPull } = bench;
  const isSigned = view.signatures.length > 0;
  const last = lastPull?.fastener;
  return [
    ...atStep(bench, view, person),
    { name: 'Else …', keyName: 'E', isOn: true, act: () => bench.ask('else') },
    {
      name: 'Over-shot',
      keyName: 'O',
      isOn: action.kind === 'pull',
      act: () => bench.pull('over-shot', null),
    },
    {
      name: 'Void this',
      keyName: '⌫',
      isOn: ownPull !== null && !isSigned,
      act: () => bench.ask('void'),
    },
    {
      name: 'Marked',
      keyName: 'W',
      isOn: last?.status === 'in' && !last.isWitnessMarked && !isSigned,
      act: () => last && bench.happen({ kind: 'witness-marked', body: { position: last.planned.position } }),
    },
    {
      name: 'Back to last',
      keyName: 'R',
      isOn: last !== undefined && last.planned.position !== fastener?.planned.position,
      act: () => last && bench.choose(last.planned.position),
    },
  ].slice(0, 5);
};
