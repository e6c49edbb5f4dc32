import { foundStep } from '../../command/found-step.ts';
import { happenedAt } from '../../job/happened.ts';
import { type StepPlace, stepPlaceSchema } from '../../job/step-done.ts';
import { accepted, refused } from '../../result.ts';
import { stepKey } from '../../view/steps.ts';
import { eventKind } from '../event-kind.ts';

/** A wait begun: as long as it lasts is counted from here, whoever looks and on whatever device. Begun again, it counts from then. */
export const waitBegun = eventKind({
  kind: 'wait-begun',
  body: stepPlaceSchema,
  mayFollowSignature: true,
  actions: () => ['work-on-job'],
  says: (body: StepPlace) => body,
  /** Refuses: what foundStep refuses, step-misdone (it is no wait). */
  decide: (job, said) => {
    const found = foundStep(job, said);
    if (!found.ok) return found;
    return found.value.step.act.kind === 'wait'
      ? accepted(said)
      : refused({ code: 'step-misdone', step: said.step });
  },
  apply: {
    steps: (job, event) => {
      const { body, id: eventId, person } = event;
      return {
        begunWaits: new Map(job.begunWaits).set(stepKey(body), { eventId, person, at: happenedAt(event) }),
      };
    },
  },
});
