import { NEWEST_RULES, rulesOf } from '../rules/rules-by-number.ts';
import type { Specification } from '../spec/requirement/specification.ts';
import { rejudgedPull } from '../verdict/rejudged-pull.ts';
import type { Outcome } from '../verdict/tightening-verdict.ts';
import type { FastenerView } from './bench.ts';
import { limitPercentOf } from './fastener-target.ts';
import type { JobView } from './job-view.ts';

/** A fastener whose last pull would be judged otherwise under another requirement. */
export type ChangedVerdict = { readonly position: string; readonly was: Outcome; readonly would: Outcome };

/** What another requirement would do to a job: how many of its fasteners rest on the one it replaces, and which verdicts change. */
export type RequirementEffect = {
  readonly fasteners: number;
  readonly pulled: number;
  readonly changed: readonly ChangedVerdict[];
};

const lastPull = ({ pulls }: FastenerView) => pulls.findLast(({ voided }) => voided === null);

/** The effect on a job of judging the fasteners that rest on a requirement by another specification, under the job's own schools.
 *  Null where the specification has no target under them. */
export const requirementEffect = (
  state: JobView,
  restsOn: (fastener: FastenerView) => boolean,
  specification: Specification,
): RequirementEffect | null => {
  const { schools } = state.plan;
  const resting = state.fasteners.filter(restsOn);
  const limitPercent = resting[0] ? limitPercentOf(state, resting[0]) : null;
  const rules = rulesOf(state.rules) ?? NEWEST_RULES;
  const target = rules.target(specification, schools, limitPercent ?? 0);
  if (!target.ok) return null;
  const pulled = resting.flatMap((fastener) => {
    const pull = lastPull(fastener);
    return pull ? [{ position: fastener.planned.position, body: pull.body }] : [];
  });
  return {
    fasteners: resting.length,
    pulled: pulled.length,
    changed: pulled.flatMap(({ position, body }) => {
      const would = rejudgedPull(body, target.value, schools).outcome;
      return would === body.outcome ? [] : [{ position, was: body.outcome, would }];
    }),
  };
};
