import { v7 as uuidv7 } from 'uuid';
import { toNewtonMetres } from '#core/quantity/unit.ts';
import type { Tool } from '#core/tool/tool.ts';
import type { NewSession } from '#wire/calibration.ts';

/** A session whose errors are the given ones at 20, 60 and 100 % of the scale. */
export const session = (
  tool: Tool,
  errors: readonly number[],
  part: Partial<NewSession> = {},
): NewSession => ({
  id: uuidv7(),
  toolId: tool.id,
  kind: 'in-house',
  doneOn: '2026-11-20',
  reference: 'tester',
  referenceExpandedPercent: 0.5,
  certificate: '',
  asFound: [8, 24, 40].map((shown, index) => {
    const torque = toNewtonMetres(shown, 'lbf.in') as number;
    return { shown: torque, references: Array(5).fill(torque / (1 + (errors[index] ?? 0) / 100)) };
  }),
  asLeft: null,
  keepNarrowed: false,
  nextDueOn: '2099-11-20',
  note: '',
  ...part,
});
