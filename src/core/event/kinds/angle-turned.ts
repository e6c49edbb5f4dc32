import { z } from 'zod';
import { positionSchema } from '../../bounds.ts';
import { remedyFor } from '../../remedy/trouble.ts';
import { accepted, refused } from '../../result.ts';
import type { Shape } from '../../shape.ts';
import { ANGLE_MAX_DEGREES } from '../../spec/requirement/requirement.ts';
import { TURN_METHODS, turnOutcome, turnTolerance, writtenDegreesSchema } from '../../turn/turn.ts';
import { angleDue, anglesAsked } from '../../view/angle-due.ts';
import { fastenerAt, withFastener } from '../../view/bench.ts';
import { eventKind } from '../event-kind.ts';

const saidShape = {
  position: positionSchema,
  /** Which of the angles that the source asks for, counted from 0. */
  step: z.int().nonnegative().max(8),
  /** How far it was turned in this step, from where the step began. */
  turned: writtenDegreesSchema,
  method: z.enum(TURN_METHODS),
} as const;
const bodySchema = z.strictObject({
  ...saidShape,
  askedDegrees: z.number().positive().max(ANGLE_MAX_DEGREES),
  toleranceDegrees: z.number().positive().max(ANGLE_MAX_DEGREES),
  outcome: z.enum(['in', 'low', 'high']),
});
type Turned = Shape<typeof bodySchema>;
type Said = Pick<Turned, 'position' | 'step' | 'turned' | 'method'>;

/** A fastener turned by an angle after its torque. One that stopped short is turned on, one that went past is put right. */
export const angleTurned = eventKind({
  kind: 'angle-turned',
  body: bodySchema,
  actions: () => ['work-on-job'],
  says: ({ position, step, turned, method }: Turned): Said => ({ position, step, turned, method }),
  /** Refuses: unknown-position, angle-not-asked (its source asks for none, or not for so many), angle-not-due (before it is done: its torque comes first). */
  decide: (job, said, { hasHappened }) => {
    const { position, step, turned, method } = said;
    const fastener = fastenerAt(job, position);
    if (!fastener) return refused({ code: 'unknown-position', position });
    const asked = anglesAsked(job, fastener)[step];
    if (asked === undefined) return refused({ code: 'angle-not-asked', position });
    if (!hasHappened && angleDue(job, fastener)?.step !== step)
      return refused({ code: 'angle-not-due', position });
    return accepted({
      ...said,
      askedDegrees: asked,
      toleranceDegrees: turnTolerance(method),
      outcome: turnOutcome(asked, turned.value, method),
    });
  },
  apply: {
    bench: (job, { body: { position, ...turn } }) =>
      withFastener(job, position, (before) => {
        const { step, outcome } = turn;
        const fastener = { ...before, turns: [...before.turns, turn], isWitnessMarked: false };
        if (outcome === 'high')
          return {
            ...fastener,
            status: 'high',
            isPastLimit: true,
            remedy: remedyFor('high', before.planned),
          };
        // Only the step that is due takes it further: one said twice, or out of turn, stands in the record alone.
        if (outcome === 'low' || angleDue(job, before)?.step !== step) return fastener;
        const turned = step + 1;
        return {
          ...fastener,
          turned,
          status: turned === anglesAsked(job, before).length ? 'in' : 'reached',
        };
      }),
  },
});
