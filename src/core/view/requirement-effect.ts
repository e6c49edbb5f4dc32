import { NEWEST_RULES, rulesOf } from '../rules/rules-by-number.ts';
import type { Specification } from '../spec/requirement/specification.ts';
import type { Outcome } from '../verdict/tightening-verdict.ts';
import type { FastenerView } from './bench.ts';
import { limitPercentOf } from './fastener-target.ts';
import type { JobView } from './job-view.ts';
import { standingPull, wouldBe } from './rejudged-fastener.ts';

/** A fastener whose last pull would be judged otherwise under another requirement. */
export type ChangedVerdict = { readonly position: string; readonly was: Outcome; readonly would: Outcome };

/** What another requirement would do to a job: how many of its fasteners rest on the one it replaces, and which verdicts change. */
export type RequirementEffect = {
  readonly fasteners: number;
  readonly pulled: number;
  readonly changed: readonly ChangedVerdict[];
};

/** The effect on a job of judging the fasteners that rest on a requirement by another specification, under the job's own rules and schools,
 *  each with its own run-on torque and tool. Null where the specification has no target under them. */
export const requirementEffect = (
  state: JobView,
  restsOn: (fastener: FastenerView) => boolean,
  specification: Specification,
): RequirementEffect | null => {
  const rules = rulesOf(state.rules) ?? NEWEST_RULES;
  const resting = state.fasteners.filter(restsOn);
  let pulled = 0;
  const changed: ChangedVerdict[] = [];
  for (const fastener of resting) {
    const runOn = fastener.runOn ?? specification.runOn;
    const limitPercent = limitPercentOf(state, fastener) ?? 0;
    const target = rules.target({ ...specification, runOn }, state.plan.schools, limitPercent);
    if (!target.ok) return null;
    const pull = standingPull(state, fastener)?.body;
    if (!pull) continue;
    pulled += 1;
    const would = wouldBe(state, fastener, pull, target.value).outcome;
    const { position } = fastener.planned;
    if (would !== pull.outcome) changed.push({ position, was: pull.outcome, would });
  }
  return { fasteners: resting.length, pulled, changed };
};
