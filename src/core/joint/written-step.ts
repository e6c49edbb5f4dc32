import type { JointStep, Limits } from './joint-step.ts';

/** What tells one step from another of its act. Blocks unless it says otherwise; common practice unless it names a source. */
type StepSaid = Pick<JointStep, 'id' | 'stage' | 'scope' | 'title' | 'detail'> &
  Partial<Pick<JointStep, 'isBlocking' | 'source' | 'row' | 'agrees'>>;

const step = (said: StepSaid, act: JointStep['act']): JointStep => ({
  id: said.id,
  stage: said.stage,
  scope: said.scope,
  act,
  title: said.title,
  detail: said.detail,
  isBlocking: said.isBlocking ?? true,
  source: said.source ?? '',
  ...(said.row === undefined ? {} : { row: said.row }),
  ...(said.agrees === undefined ? {} : { agrees: said.agrees }),
});

/** A step that a person says was done. */
export const confirmed = (said: StepSaid): JointStep => step(said, { kind: 'confirm' });

/** A step that comes out good or not. */
export const inspected = (said: StepSaid): JointStep => step(said, { kind: 'inspect' });

/** A wait, in minutes. */
export const waited = (minutes: number, said: StepSaid): JointStep => step(said, { kind: 'wait', minutes });

/** A measurement in a unit, held against limits, which are inclusive; a limit left out is none. */
export const measured = (
  limits: Pick<Limits, 'unit'> & Partial<Omit<Limits, 'unit'>>,
  said: StepSaid,
): JointStep =>
  step(said, {
    kind: 'measure',
    limits: {
      unit: limits.unit,
      low: limits.low ?? null,
      high: limits.high ?? null,
      from: limits.from ?? null,
    },
  });
