import { blocksObjected } from '../../command/pull-objections.ts';
import { recordedPull } from '../../command/recorded-pull.ts';
import { type PullBody, pullBodySchema, pullSaid } from '../../job/pull.ts';
import { remedyFor } from '../../remedy/trouble.ts';
import { rulesOf } from '../../rules/rules-by-number.ts';
import { anglesAsked } from '../../view/angle-due.ts';
import { type FastenerView, pullsWith, toolPulledWith, withFastener, withFound } from '../../view/bench.ts';
import type { JobView } from '../../view/job-view.ts';
import { allStruck } from '../../view/signatures.ts';
import { eventKind } from '../event-kind.ts';

/** How far a fastener has come once it was pulled: to the pass it was pulled for where it got there, but never past one that was left out; no
 *  further than before where it did not. */
const passAfter = (before: number, { outcome, pass }: Pick<PullBody, 'outcome' | 'pass'>): number =>
  outcome === 'in' || outcome === 'reached'
    ? Math.max(before, Math.min(pass, before + 1))
    : Math.min(before, pass - 1);

/** What is to be done about a pull that went past; what was to be done before it stays where it was made all the same. */
const remedyOf = (job: JobView, { planned, remedy }: FastenerView, { outcome, method }: PullBody) => {
  if (outcome !== 'high' || !rulesOf(job.rules)?.remediesAreLed) return remedy;
  return remedyFor(method === 'over-shot' ? 'over-shot' : 'high', planned);
};

/** A pull with its verdict. One that was made is recorded, whatever stands against it. */
export const pullMade = eventKind({
  kind: 'pull-made',
  body: pullBodySchema,
  actions: () => ['work-on-job'],
  mayFollowSignature: true,
  says: (body: PullBody) => pullSaid(body),
  knew: (body: PullBody) => ({
    shown: body.shown,
    blocksOf: (toolId) => (toolId === body.toolId ? blocksObjected(body.objections) : []),
  }),
  /** Refuses: what recordedPull refuses. */
  decide: (job, said, known, rules) => recordedPull(job, said, known, rules),
  apply: {
    bench: (job, event) => {
      const { id: eventId, person, deviceTime, clock = null, body } = event;
      return {
        // Written out and not spread: a long job is thousands of these.
        ...withFastener(job, body.position, (fastener) => {
          const pass = passAfter(fastener.pass, body);
          return {
            planned: fastener.planned,
            runOn: fastener.runOn,
            fixedLimit: fastener.fixedLimit ?? {
              percent: toolPulledWith(job, fastener, body.toolId)?.tool.limitPercent ?? null,
            },
            pulls: pullsWith(job, fastener, { eventId, person, deviceTime, clock, body, voided: null }),
            // Its torque is only where the angle begins.
            status: body.outcome === 'in' && anglesAsked(job, fastener).length > 0 ? 'reached' : body.outcome,
            pass,
            moved: body.moved,
            unquietPass: body.moved === false ? fastener.unquietPass : Math.max(fastener.unquietPass, pass),
            // Where it stays unsaid what a pull came to, one that went past before is still past.
            isPastLimit:
              body.outcome === 'high' ||
              (body.outcome === 'no-verdict' && fastener.isPastLimit) ||
              (body.outcome === 'by-feel' && (rulesOf(job.rules)?.byFeelStaysOpen ?? false)),
            turned: 0,
            turns: [],
            remedy: remedyOf(job, fastener, body),
            isWitnessMarked: false,
            leftOpen: null,
          };
        }),
        ...withFound(job, body.toolId, blocksObjected(body.objections)),
        lastPull: { eventId, position: body.position },
      };
    },
    signatures: (job, { body, person }) =>
      job.signatures.length === 0
        ? {}
        : allStruck(job, 'later-pull', `${body.position}, pulled by ${person.name}`),
  },
});
