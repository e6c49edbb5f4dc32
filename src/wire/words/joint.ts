import type { StepResult } from '#core/job/step-done.ts';
import type { JointKind } from '#core/joint/joint-kind.ts';
import type { JointStep, Limits, Stage } from '#core/joint/joint-step.ts';
import { isRound } from '#core/view/passes.ts';

/** The name of a stage of the work on a group. */
export const STAGE_WORDS: Readonly<Record<Stage, string>> = {
  'make-safe': 'make safe',
  prepare: 'prepare',
  'between-passes': 'between the passes',
  settle: 'settle',
  check: 'check',
  close: 'close',
};

/** A pass or round in words: `pass 2 of 3, two thirds`, `round 1 at full torque`. */
export const passWords = (kind: Pick<JointKind, 'passes' | 'roundsUntilStill'>, pass: number): string => {
  const { passes } = kind;
  if (isRound(kind, pass)) return `round ${pass - passes.length} at full torque`;
  const name = passes[pass - 1]?.name ?? '';
  return passes.length === 1 ? 'pass 1 of 1' : `pass ${pass} of ${passes.length}, ${name}`;
};

/** Limits in words, with their unit: `3 mm or more`, `0.01 mm or less`, `2 to 5 mm`. */
export const limitsWords = ({ low, high, unit }: Limits): string => {
  if (low !== null && high !== null) return `${low} to ${high} ${unit}`;
  if (low !== null) return `${low} ${unit} or more`;
  return high === null ? `in ${unit}` : `${high} ${unit} or less`;
};

/** A wait in words: `4 h`, `1 h 30 min`, `12 min`. */
export const waitWords = (minutes: number): string => {
  const whole = Math.ceil(minutes);
  const [hours, rest] = [Math.floor(whole / 60), whole % 60];
  if (hours === 0) return `${rest} min`;
  return rest === 0 ? `${hours} h` : `${hours} h ${rest} min`;
};

/** Where a step comes from. */
export const stepSourceWords = ({ source }: Pick<JointStep, 'source'>): string =>
  source === '' ? 'common practice' : source;

/** What a step came to. */
export const stepResultWords = (result: StepResult, waitedMinutes: number | null): string => {
  switch (result.kind) {
    case 'confirmed':
      return 'done';
    case 'measured':
      return `${result.measure.text} ${result.measure.unit}, with ${result.instrument}`;
    case 'waited':
      return waitedMinutes === null ? 'waited' : `waited ${waitWords(waitedMinutes)}`;
    case 'photographed':
      return 'photographed';
    case 'inspected':
      return `${result.isGood ? 'good' : 'not good'}${result.note && `: ${result.note}`}`;
    case 'left':
      return result.why ? `left: ${result.why}` : 'passed over';
  }
};
