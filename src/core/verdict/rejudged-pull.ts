import { type NewtonMetres, newtonMetres } from '../quantity/unit.ts';
import type { Target } from '../target/target-and-acceptance.ts';
import type { DecisionRule, Judged, Verdict, VerdictRule } from './tightening-verdict.ts';

/** What of a pull it is judged again by. */
export type Rejudgeable = {
  readonly method: string;
  readonly torqueNewtonMetres: number | null;
  readonly standardUncertaintyNewtonMetres: number | null;
};

/** What it is judged again by: a rule, the site's choices for it, and how sure it must be as a bare ratio. */
export type RejudgingRule = DecisionRule & { readonly verdict: VerdictRule; readonly sureShare: number };

/** The torque a pull was recorded at, at the fastener in newton metres; null where it has no reading (over-shot, by feel). */
export const pulledTorque = ({
  torqueNewtonMetres,
}: Pick<Rejudgeable, 'torqueNewtonMetres'>): NewtonMetres | null =>
  torqueNewtonMetres === null ? null : newtonMetres(torqueNewtonMetres);

const DECIMALS = 6;
/** Limits to the digits that the torque was kept with: what was set exactly at a limit must not fall outside by rounding. */
const asKept = (torque: number): NewtonMetres => newtonMetres(Number(torque.toFixed(DECIMALS)));

/** The verdict a recorded pull would get under other limits, or had the torque been another than read; the uncertainty it was judged
 *  with stays. Where none was kept it is judged by its limits and has no probability; a guarded rule can't judge it at all.
 *  Source: JCGM 106:2012, 8.2 and 8.3, as the first time. */
export const rejudgedPull = (
  pull: Rejudgeable,
  limits: Pick<Target, 'low' | 'high'>,
  rule: RejudgingRule,
  torque: NewtonMetres | null = pulledTorque(pull),
): Verdict => {
  const { standardUncertaintyNewtonMetres: kept } = pull;
  const judgedAs = (judged: Judged): Verdict =>
    rule.verdict(
      judged,
      { low: asKept(limits.low), high: asKept(limits.high) },
      rule,
      // Nobody kept how sure it was: its limits alone are left to judge by.
      kept === null ? 0 : rule.sureShare,
    );
  if (pull.method === 'by-feel') return judgedAs({ kind: 'by-feel' });
  if (torque === null) return judgedAs({ kind: 'over-shot' });
  const reading = asKept(torque);
  const verdict = judgedAs({ kind: 'reading', reading, standardUncertainty: newtonMetres(kept ?? 0) });
  if (kept !== null) return verdict;
  const isUnknown = rule.decisionRule === 'guarded' && verdict.outcome === 'in';
  return { outcome: isUnknown ? 'no-verdict' : verdict.outcome, probability: null };
};
