import type { JobRefusal } from '../job/refusal.ts';
import { readNumber } from '../quantity/read-number.ts';
import type { WrittenTorque } from '../quantity/torque.ts';
import { fromNewtonMetres, toNewtonMetres } from '../quantity/unit.ts';
import { accepted, type Result, refused } from '../result.ts';
import { leastRunOnLbfIn } from '../spec/screw/self-locking-run-on.ts';
import { fastenerAt, type TakenTool } from '../view/bench.ts';
import type { JobView } from '../view/job-view.ts';

/** A run-on torque as it acts at the fastener, and, where an adapter stands between, what the tool said. */
export type MeasuredRunOn = { readonly torque: WrittenTorque; readonly seen?: WrittenTorque };

const LEAST_DIGITS = 3;

const throughAdapter = (seen: WrittenTorque, { adapterFactor }: TakenTool): WrittenTorque => {
  const value = Number((seen.value * adapterFactor).toPrecision(LEAST_DIGITS));
  return { text: String(value), value, unit: seen.unit };
};

/** What a person read as the run-on torque of a fastener, corrected for the adapter between it and the tool.
 *  Refuses: unknown-position, run-on-off-scale (below what the tool can show, or above it), run-on-too-low (below the least for its thread), and what
 *  readNumber refuses. Source of the least: FAA AC 43.13-1B, Table 7-2. */
export const judgedRunOn = (
  job: JobView,
  position: string,
  text: string,
  taken: TakenTool,
): Result<MeasuredRunOn, JobRefusal> => {
  const fastener = fastenerAt(job, position);
  if (!fastener) return refused({ code: 'unknown-position', position });
  const number = readNumber(text);
  if (!number.ok) return number;
  const { scale, code } = taken.tool;
  const { unit } = scale;
  const seen = { ...number.value, unit };
  if (seen.value < scale.minimum || seen.value > scale.maximum)
    return refused({
      code: 'run-on-off-scale',
      toolCode: code,
      minimum: scale.minimum,
      maximum: scale.maximum,
      unit,
    });
  const torque = taken.adapterFactor === 1 ? seen : throughAdapter(seen, taken);
  const least = leastRunOnLbfIn(fastener.planned.thread);
  const inLbfIn = fromNewtonMetres(toNewtonMetres(torque.value, unit), 'lbf.in');
  if (least !== null && inLbfIn < least)
    return refused({ code: 'run-on-too-low', position, thread: fastener.planned.thread, leastLbfIn: least });
  return accepted(taken.adapterFactor === 1 ? { torque } : { torque, seen });
};
