import type { StepPlace } from '../job/step-done.ts';
import type { JointStep } from '../joint/joint-step.ts';
import type { StepDone, StepsView } from './steps.ts';

/** How far a row of steps has come: how many of it are done, each good after the one before and with one instrument. */
export type RowDone = {
  readonly done: number;
  /** What it was begun with; null before it is begun, and where nothing of it is measured. */
  readonly instrument: string | null;
  /** The step that made the row begin again, until it is begun; null where none did. */
  readonly brokenBy: StepDone | null;
};

const NOT_BEGUN: RowDone = { done: 0, instrument: null, brokenBy: null };

/** The steps that are done in one row with a step, in their order; none where it stands alone. */
export const rowOf = (steps: readonly JointStep[], { row }: JointStep): readonly JointStep[] =>
  row === undefined ? [] : steps.filter((each) => each.row === row);

const instrumentOf = ({ result }: StepDone): string | null =>
  result.kind === 'measured' ? result.instrument : null;

const afterStep = (before: RowDone, index: number, done: StepDone): RowDone => {
  if (done.result.kind === 'left') return index === before.done ? { ...before, done: index + 1 } : before;
  const broken = { ...NOT_BEGUN, brokenBy: done };
  if (!done.isGood) return broken;
  const instrument = instrumentOf(done);
  if (index === 0) return { done: 1, instrument, brokenBy: null };
  const isNext = index === before.done && (before.instrument === null || before.instrument === instrument);
  return isNext ? { done: index + 1, instrument, brokenBy: null } : broken;
};

/** How far a row has come on what it is done on. A step of it that was left by a lead counts; one out of its turn begins it again. */
export const rowDone = (
  { steps }: Pick<StepsView, 'steps'>,
  row: readonly JointStep[],
  { group, of, afterPass }: Omit<StepPlace, 'step'>,
): RowDone => {
  let so = NOT_BEGUN;
  for (const done of steps) {
    if (done.group !== group || done.of !== of || done.afterPass !== afterPass) continue;
    const index = row.findIndex(({ id }) => id === done.step);
    if (index >= 0) so = afterStep(so, index, done);
  }
  return so;
};
