import type { Target } from '../target/target-and-acceptance.ts';
import type { Judged, Verdict } from './tightening-verdict.ts';

// As for a last pass: what was set exactly must not fall outside through conversion.
const HAIR = 1e-12;

/** The verdict on a pull of a pass before the last: reached from the pass's own low limit on, up to the high limit of the whole. Limits are
 *  inclusive; it says nothing of conformity, so it has no probability. Common practice. */
export const passVerdict = (judged: Judged, { low, high }: Pick<Target, 'low' | 'high'>): Verdict => {
  if (judged.kind === 'over-shot') return { outcome: 'high', probability: null };
  if (judged.kind === 'by-feel') return { outcome: 'by-feel', probability: null };
  if (judged.reading > high * (1 + HAIR)) return { outcome: 'high', probability: null };
  return { outcome: judged.reading < low * (1 - HAIR) ? 'low' : 'reached', probability: null };
};
