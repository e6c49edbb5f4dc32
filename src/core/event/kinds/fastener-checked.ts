import { recordedTorque } from '../../command/judgement.ts';
import { type CheckBody, type CheckSaid, checkBodySchema } from '../../job/check.ts';
import { happenedAt } from '../../job/happened.ts';
import { writtenInNewtonMetres } from '../../quantity/torque.ts';
import { accepted, refused } from '../../result.ts';
import { rulesOf } from '../../rules/rules-by-number.ts';
import { fastenerAt, withFastener } from '../../view/bench.ts';
import { targetOf } from '../../view/fastener-target.ts';
import type { JobView } from '../../view/job-view.ts';
import { eventKind } from '../event-kind.ts';

// A printed limit that was read exactly must not fall outside through conversion.
const HAIR = 1e-12;

/** Whether a check shows that a fastener pulled by feel is inside, where the site lets it: by its first movement, never by a second click,
 *  which cannot see that it was overdone. */
const endsByFeel = (job: JobView, { method, isInside }: CheckBody): boolean =>
  isInside &&
  method === 'first-movement' &&
  (rulesOf(job.rules)?.byFeelStaysOpen ?? false) &&
  job.plan.schools.byFeelCheck !== 'loosened';

/** A finished fastener checked, or read again after it settled. It stands beside the signatures and strikes none. */
export const fastenerChecked = eventKind({
  kind: 'fastener-checked',
  body: checkBodySchema,
  mayFollowSignature: true,
  actions: () => ['check-fastener'],
  says: ({ position, purpose, method, toolId, reading, note }: CheckBody): CheckSaid => ({
    position,
    purpose,
    method,
    toolId,
    reading,
    note,
  }),
  knew: ({ toolId, tool, reading }) => ({
    tagOf: (id) => (id === toolId ? { ...tool, unit: reading.unit } : null),
  }),
  /** Refuses: unknown-position, not-pulled-yet, tool-changed (not in the crib), claim-untrue (another unit than the tool's), and what targetOf refuses. */
  decide: (job, said, known) => {
    const { position, reading } = said;
    const fastener = fastenerAt(job, position);
    if (!fastener) return refused({ code: 'unknown-position', position });
    if (!fastener.pulls.some(({ voided }) => voided === null))
      return refused({ code: 'not-pulled-yet', position });
    const tool = known.tagOf(said.toolId);
    if (!tool) return refused({ code: 'tool-changed', toolCode: '' });
    if (tool.unit !== reading.unit) return refused({ code: 'claim-untrue', field: 'reading' });
    const target = targetOf(job, fastener);
    if (!target.ok) return target;
    const { low, high } = target.value;
    const torque = writtenInNewtonMetres(reading);
    const { code, serial, calibrationDueOn } = tool;
    return accepted({
      ...said,
      tool: { code, serial, calibrationDueOn },
      lowNewtonMetres: recordedTorque(low),
      highNewtonMetres: recordedTorque(high),
      isInside: torque >= low * (1 - HAIR) && torque <= high * (1 + HAIR),
    });
  },
  apply: {
    bench: (job, { body }) =>
      endsByFeel(job, body)
        ? withFastener(job, body.position, (fastener) =>
            fastener.status === 'by-feel' ? { ...fastener, status: 'in', isPastLimit: false } : fastener,
          )
        : {},
    checks: (job, event) => ({
      checks: [
        ...job.checks,
        { ...event.body, eventId: event.id, person: event.person, at: happenedAt(event) },
      ],
    }),
  },
});
