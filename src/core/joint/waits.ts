import type { JointKind } from './joint-kind.ts';

/** A wait of a kind of joint, in minutes. */
export type Wait = {
  readonly id: string;
  readonly title: string;
  readonly minutes: number;
  readonly source: string;
};

/** What is waited for between the passes and the rounds of a kind of joint. */
export const waitsOf = ({ steps }: JointKind): readonly Wait[] =>
  steps.flatMap(({ id, title, act, source, stage }) =>
    act.kind === 'wait' && stage === 'settle' ? [{ id, title, minutes: act.minutes, source }] : [],
  );
