import type { JobRefusal } from '#core/job/refusal.ts';
import type { StepResult } from '#core/job/step-done.ts';
import { readNumber } from '#core/quantity/read-number.ts';
import { accepted, type Result, refused } from '#core/result.ts';
import type { DueStep } from '#core/view/due-steps.ts';

/** What doing a step that needs no more than a nod comes to; null for one that needs more said. */
export const plainResult = ({ step }: DueStep): StepResult | null => {
  switch (step.act.kind) {
    case 'confirm':
      return { kind: 'confirmed' };
    case 'wait':
      return { kind: 'waited' };
    case 'inspect':
      return { kind: 'inspected', isGood: true, note: '' };
    default:
      return null;
  }
};

/** What was measured for a step, as it was typed, and with what; null where the step measures nothing. */
export const measuredResult = (
  typed: string,
  instrument: string,
  { limits }: DueStep,
): Result<StepResult | null, JobRefusal> => {
  const number = readNumber(typed);
  if (!number.ok) return number;
  if (instrument.trim() === '') return refused({ code: 'instrument-missing' });
  const { text, value } = number.value;
  return accepted(
    limits && {
      kind: 'measured',
      measure: { text, value, unit: limits.unit },
      instrument: instrument.trim(),
    },
  );
};
