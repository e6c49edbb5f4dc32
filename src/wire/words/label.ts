import type { LabelDoubt } from '#core/spec/label/label-statement.ts';

/** Why a line of a label is asked about. */
export const LABEL_DOUBT_WORDS: Record<LabelDoubt, string> = {
  'no-torque': 'holds no torque. It may still say what the others hold for.',
  'left-over': 'has something that the table below does not say. Check its row against the label.',
  'screw-or-gauge': 'names a size that a wire and a screw can have.',
};
