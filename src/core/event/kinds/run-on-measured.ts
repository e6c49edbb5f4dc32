import { z } from 'zod';
import { positionSchema } from '../../bounds.ts';
import { type WrittenTorque, writtenTorqueSchema } from '../../quantity/torque.ts';
import { accepted, refused } from '../../result.ts';
import { requirementTarget } from '../../rules/requirement-target.ts';
import { fastenerAt, fixedLimitNow, withFastener } from '../../view/bench.ts';
import { toolFor } from '../../view/tool-for.ts';
import { eventKind } from '../event-kind.ts';

type RunOn = {
  readonly position: string;
  /** As it acts at the fastener. */
  readonly torque: WrittenTorque;
  /** What the tool said, where an adapter stood between; left out where none did. */
  readonly seen?: WrittenTorque | undefined;
};

/** The run-on torque of a self-locking thread, measured before seating: target and acceptance shift by it.
 *  Source: FAA AC 43.13-1B, par. 7-40. */
export const runOnMeasured = eventKind({
  kind: 'run-on-measured',
  body: z.strictObject({
    position: positionSchema,
    torque: writtenTorqueSchema,
    seen: writtenTorqueSchema.optional(),
  }) satisfies z.ZodType<RunOn>,
  actions: () => ['work-on-job'],
  says: (body: RunOn) => body,
  /** Refuses: unknown-position, already-in, run-on-too-high, and what the target refuses. */
  decide: (job, said, _known, rules) => {
    const { position, torque } = said;
    const fastener = fastenerAt(job, position);
    if (!fastener) return refused({ code: 'unknown-position', position });
    const isPulled = fastener.pulls.some(({ voided }) => voided === null);
    if (isPulled && !fastener.isPastLimit && fastener.status === 'in')
      return refused({ code: 'already-in', position });
    const with_ = (runOn: WrittenTorque | null) =>
      requirementTarget(
        fastener.planned.requirement,
        runOn,
        job.plan.schools,
        toolFor(job, fastener)?.tool.limitPercent ?? null,
        rules,
      );
    const [bare, target] = [with_(null), with_(torque)];
    if (!bare.ok) return bare;
    if (!target.ok) return target;
    // A hair of room, so that exactly as much as the rules allow is not refused for the last binary digit.
    const most = bare.value.target * (1 + rules.runOnMaxOfTarget) * (1 + 1e-12);
    return target.value.target > most ? refused({ code: 'run-on-too-high', position }) : accepted(said);
  },
  apply: {
    bench: (job, { body: { position, torque } }) =>
      withFastener(job, position, (fastener) => ({
        ...fastener,
        runOn: torque,
        fixedLimit: fixedLimitNow(job, fastener),
      })),
  },
});
