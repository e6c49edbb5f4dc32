import { type NewtonMetres, newtonMetres } from '../quantity/unit.ts';
import type { Target } from '../target/target-and-acceptance.ts';
import { type DecisionRule, tighteningVerdict, type Verdict } from './tightening-verdict.ts';

/** What of a pull it is judged again by. */
export type Rejudgeable = {
  readonly method: string;
  readonly torqueNewtonMetres: number | null;
  readonly standardUncertaintyNewtonMetres: number | null;
};

/** The torque a pull was recorded at, at the fastener in newton metres; null where it has no reading (over-shot, by feel). */
export const pulledTorque = ({
  torqueNewtonMetres,
}: Pick<Rejudgeable, 'torqueNewtonMetres'>): NewtonMetres | null =>
  torqueNewtonMetres === null ? null : newtonMetres(torqueNewtonMetres);

/** The verdict a recorded pull would get under other limits, or had the torque been another than read; the uncertainty it was judged
 *  with stays. Source: JCGM 106:2012, 8.2 and 8.3, as the first time. */
export const rejudgedPull = (
  pull: Rejudgeable,
  limits: Pick<Target, 'low' | 'high'>,
  rule: DecisionRule,
  torque: NewtonMetres | null = pulledTorque(pull),
): Verdict => {
  if (pull.method === 'by-feel') return tighteningVerdict({ kind: 'by-feel' }, limits, rule);
  if (torque === null) return tighteningVerdict({ kind: 'over-shot' }, limits, rule);
  const standardUncertainty = newtonMetres(pull.standardUncertaintyNewtonMetres ?? 0);
  return tighteningVerdict({ kind: 'reading', reading: torque, standardUncertainty }, limits, rule);
};
