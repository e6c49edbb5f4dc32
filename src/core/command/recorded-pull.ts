import { groupOf } from '../job/plan.ts';
import { type Judgement, type PullBody, type PullSaid, pullBody } from '../job/pull.ts';
import type { JobRefusal } from '../job/refusal.ts';
import { toNewtonMetres } from '../quantity/unit.ts';
import { accepted, type Result, refused } from '../result.ts';
import type { Rules } from '../rules/rules.ts';
import { isDeviceOf, isIndicating } from '../tool/tool.ts';
import { fastenerAt } from '../view/bench.ts';
import type { JobView } from '../view/job-view.ts';
import { isRound, lastPass } from '../view/passes.ts';
import { judgement } from './judgement.ts';
import type { Known } from './known.ts';
import { objectionsTo } from './pull-objections.ts';

/** Most rounds at full torque that a fastener can have been through. */
const ROUNDS_MAX = 60;

const impossiblePass = (job: JobView, said: PullSaid): JobRefusal | null => {
  const fastener = fastenerAt(job, said.position);
  if (!fastener) return { code: 'unknown-position', position: said.position };
  const { kind } = groupOf(job.plan, fastener.planned);
  const most = lastPass(kind) + (kind.roundsUntilStill ? ROUNDS_MAX : 0);
  if (said.pass > most) return { code: 'claim-untrue', field: 'pass' };
  return said.moved !== null && !isRound(kind, said.pass) ? { code: 'claim-untrue', field: 'moved' } : null;
};

/** A reading may be off from the highest of its curve by what its last digit and the noise of the curve are worth. */
const CURVE_HAIR = 0.02;

/** Whether what a device is said to have read is the reading of the pull. */
const isOfDevice = ({ method, reading, device }: PullSaid): boolean => {
  if (method !== 'reading' || !reading) return false;
  const peak = device?.curve?.peakNewtonMetres;
  if (peak === undefined) return true;
  const read = toNewtonMetres(reading.value, reading.unit);
  return Math.abs(peak - read) <= CURVE_HAIR * read;
};

/** What can't be true of a pull, whatever stands against it; null where it can. Refuses: unknown-position, no-click, reading-out-of-bounds,
 *  claim-untrue. */
export const impossible = (job: JobView, said: PullSaid, rules: Rules): JobRefusal | null => {
  const { method, toolId, setting, reading } = said;
  const pass = impossiblePass(job, said);
  if (pass) return pass;
  const isBare = toolId === null && setting === null && reading === null;
  if (said.device && method !== 'reading') return { code: 'claim-untrue', field: 'device' };
  if (method === 'by-feel') return isBare ? null : { code: 'claim-untrue', field: 'toolId' };
  if (toolId === null || setting === null) return { code: 'claim-untrue', field: 'toolId' };
  if ((method === 'over-shot') !== (reading === null)) return { code: 'claim-untrue', field: 'reading' };
  const tool = job.takenTools.get(toolId)?.tool;
  if (!tool) return null;
  const { unit, maximum } = tool.scale;
  if (setting.unit !== unit || (reading && reading.unit !== unit))
    return { code: 'claim-untrue', field: 'unit' };
  if (method === 'click' && isIndicating(tool)) return { code: 'no-click' };
  if (method === 'click' && (reading?.value !== setting.value || reading.text !== setting.text))
    return { code: 'claim-untrue', field: 'reading' };
  if (said.device && (!isDeviceOf(tool, said.device.serial) || !isOfDevice(said)))
    return { code: 'claim-untrue', field: 'device' };
  if (reading && (reading.value <= 0 || reading.value > maximum * rules.readingMaxOfScale))
    return { code: 'reading-out-of-bounds' };
  return null;
};

const isSameJudgement = (a: Judgement, b: Judgement): boolean =>
  a.outcome === b.outcome &&
  a.probability === b.probability &&
  a.torqueNewtonMetres === b.torqueNewtonMetres &&
  a.standardUncertaintyNewtonMetres === b.standardUncertaintyNewtonMetres &&
  a.lowNewtonMetres === b.lowNewtonMetres &&
  a.highNewtonMetres === b.highNewtonMetres &&
  a.targetNewtonMetres === b.targetNewtonMetres &&
  a.knownErrorPercent === b.knownErrorPercent &&
  a.rules === b.rules;

/** Whether another person's pull on this job is of the very same reading: two benches that hear one tool. The number alone may come again, since a device that is started again
 *  counts anew. */
const isCountedAlready = (job: JobView, { device, reading }: PullSaid, { person: me }: Known): boolean =>
  device !== undefined &&
  job.fasteners.some(({ pulls }) =>
    pulls.some(
      ({ person, voided, body }) =>
        body.device?.serial === device.serial &&
        body.device.number === device.number &&
        body.reading?.text === reading?.text &&
        person.id !== me.id &&
        voided === null,
    ),
  );

/** A pull that was made, judged anew with all the asker knows. It is recorded whatever stands against it.
 *  Refuses: rules-unknown, and only what can't be true: unknown-position, no-click, reading-out-of-bounds, claim-untrue, reading-counted-already. */
export const recordedPull = (
  job: JobView,
  said: PullSaid,
  known: Known,
  rules: Rules,
): Result<PullBody, JobRefusal> => {
  const untrue = impossible(job, said, rules);
  const fastener = fastenerAt(job, said.position);
  if (untrue || !fastener) return refused(untrue ?? { code: 'unknown-position', position: said.position });
  if (said.device && isCountedAlready(job, said, known))
    return refused({ code: 'reading-counted-already', device: said.device.serial });
  const objections = objectionsTo(job, fastener, said, known, rules);
  const stands = judgement(job, fastener, said, rules, objections);
  const { shown } = known;
  const isAsShown = shown === null || isSameJudgement(shown, stands);
  const beside = { shown: isAsShown ? null : shown, objections: objections.length > 0 ? objections : null };
  return accepted(pullBody(said, stands, beside));
};
