import type { NewtonMetres } from '../quantity/unit.ts';
import type { Schools } from '../target/schools.ts';
import type { Target } from '../target/target-and-acceptance.ts';
import { conformanceProbability } from './conformance-probability.ts';

export const OUTCOMES = ['in', 'low', 'high', 'too-close', 'by-feel', 'no-verdict', 'reached'] as const;
/** What a pull came to. `no-verdict`: it happened, and nothing can be said of its torque. `reached`: a pass before the last came as far as it should. */
export type Outcome = (typeof OUTCOMES)[number];

/** What is judged: a reading with its uncertainty in newton metres, a pull that went past the click, or one without a tool. */
export type Judged =
  | {
      readonly kind: 'reading';
      readonly reading: NewtonMetres;
      readonly standardUncertainty: NewtonMetres;
    }
  | { readonly kind: 'over-shot' }
  | { readonly kind: 'by-feel' };

export type Verdict = {
  readonly outcome: Outcome;
  /** Probability that the torque is inside acceptance; null where there is no reading to judge. */
  readonly probability: number | null;
};

export type DecisionRule = Pick<Schools, 'decisionRule' | 'guardFactor'>;

/** Judges a pull by the site's decision rule; `sureShare` is how likely it must be inside to be called in, as a bare ratio. */
export type VerdictRule = (
  judged: Judged,
  limits: Pick<Target, 'low' | 'high'>,
  rule: DecisionRule,
  sureShare: number,
) => Verdict;

/** Coverage factor of the expanded uncertainty U95. Source: JCGM 100:2008, 6.3.3. */
const COVERAGE_FACTOR = 2;

// A printed limit that was set exactly must not fall outside through conversion: limits are inclusive to 1 part in 1e12.
const HAIR = 1e-12;

/** The verdict on one pull by the site's decision rule. Limits are inclusive.
 *  Simple acceptance takes the reading as it is; guarded keeps it g·U95 inside each limit, and what lies between is too close to call.
 *  A pull past the click is never in, whatever was set; a pull by feel gets no statement of conformity.
 *  Source: JCGM 106:2012, 8.2 and 8.3; ILAC-G8:09/2019, 4.2. Departures: none. */
export const tighteningVerdict = (
  judged: Judged,
  { low, high }: Pick<Target, 'low' | 'high'>,
  rule: DecisionRule,
): Verdict => {
  if (judged.kind === 'over-shot') return { outcome: 'high', probability: null };
  if (judged.kind === 'by-feel') return { outcome: 'by-feel', probability: null };
  const { reading, standardUncertainty } = judged;
  const probability = conformanceProbability(reading, standardUncertainty, low, high);
  const guard =
    rule.decisionRule === 'guarded' ? rule.guardFactor * COVERAGE_FACTOR * standardUncertainty : 0;
  if (reading < low * (1 - HAIR)) return { outcome: 'low', probability };
  if (reading > high * (1 + HAIR)) return { outcome: 'high', probability };
  const isClear = reading >= (low + guard) * (1 - HAIR) && reading <= (high - guard) * (1 + HAIR);
  return { outcome: isClear ? 'in' : 'too-close', probability };
};

/** The verdict on one pull as tighteningVerdict gives it, and too close to call where it is inside but less likely so than the site asks.
 *  Source: JCGM 106:2012, 8.3.2 (acceptance by probability). Departures: none. */
export const sureVerdict: VerdictRule = (judged, limits, rule, sureShare) => {
  const verdict = tighteningVerdict(judged, limits, rule);
  const isUnsure = verdict.probability !== null && verdict.probability < sureShare;
  return verdict.outcome === 'in' && isUnsure ? { ...verdict, outcome: 'too-close' } : verdict;
};
