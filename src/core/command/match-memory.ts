import type { MemoryReading } from '../device/memory-table.ts';
import { fromNewtonMetres } from '../quantity/unit.ts';
import type { Tool } from '../tool/tool.ts';
import { targetOrNull } from '../view/fastener-target.ts';
import { fastenersIn, isByHand } from '../view/group-work.ts';
import type { JobView } from '../view/job-view.ts';
import { lastPass, passTarget } from '../view/passes.ts';
import { toolFor } from '../view/tool-for.ts';

/** A pull that a job waits for, with its limits as the tool shows them, in the tool's unit. */
export type AwaitedPull = {
  readonly position: string;
  readonly pass: number;
  readonly low: number;
  readonly high: number;
};

/** What a person says of a reading in a memory: it is none of this job's, it is the one before again, or it is the next one after all. */
export type MemoryChoice = 'leave-out' | 'again' | 'next';

/** Why a reading belongs to a fastener, or to none. */
export type MemoryMatch =
  | {
      readonly kind: 'in-order' | 'again';
      readonly awaited: AwaitedPull;
      /** How it stands to the limits; what it comes to is judged when it is recorded. */
      readonly stands: 'low' | 'in' | 'high';
    }
  | { readonly kind: Unmatched };
type Unmatched = 'left-out' | 'recorded' | 'outside' | 'other-unit' | 'unlike' | 'over';

export type MatchedReading = { readonly reading: MemoryReading; readonly match: MemoryMatch };

/** Nothing is taken for a pull that reads less than so much of its low limit, or more than so much of its high one. */
const LEAST_OF_LOW = 0.4;
const MOST_OF_HIGH = 2;

/** The pulls that a job still waits for with a tool, in the order of the work, group by group and pass by pass. Rounds at full torque are not among them: whether a fastener
 *  moved stands in no memory. */
export const awaitedPulls = (job: JobView, tool: Tool): readonly AwaitedPull[] =>
  job.plan.groups.flatMap((group) => {
    const mine = fastenersIn(job, group).filter((fastener) => {
      const taken = toolFor(job, fastener);
      const isOpen = fastener.leftOpen === null && !fastener.isPastLimit && fastener.remedy === null;
      return !isByHand(fastener) && isOpen && taken?.tool.id === tool.id;
    });
    const limits = new Map(
      mine.flatMap((fastener) => {
        const whole = targetOrNull(job, fastener);
        const factor = toolFor(job, fastener)?.adapterFactor ?? 1;
        return whole ? [[fastener, { whole, factor }] as const] : [];
      }),
    );
    return Array.from({ length: lastPass(group.kind) }, (_, index) => index + 1).flatMap((pass) =>
      mine.flatMap((fastener) => {
        const known = limits.get(fastener);
        if (!known || fastener.pass >= pass) return [];
        const { low, high } = passTarget(job.plan, fastener.planned, known.whole, pass);
        const shown = (torque: typeof low): number =>
          fromNewtonMetres(torque, tool.scale.unit) / known.factor;
        return [{ position: fastener.planned.position, pass, low: shown(low), high: shown(high) }];
      }),
    );
  });

const standing = (value: number, { low, high }: AwaitedPull): 'low' | 'in' | 'high' => {
  if (value < low) return 'low';
  return value > high ? 'high' : 'in';
};

/** What is in the record of a tool already: out of its memory, known by number and torque or by time; and heard or typed, by torque and about when. */
export type RecordedReadings = {
  readonly kept: readonly { readonly at: number; readonly number: number | null; readonly text: string }[];
  readonly made: readonly { readonly value: number; readonly at: number }[];
};

/** A pull that was heard or typed is in the memory too, by a clock that may be off by so much. */
const SAME_PULL_MS = 120_000;

/** The readings of a tool that a job has in its record. Numbers count only where the memory says them: else they are lines of a file. */
export const recordedReadings = (
  { fasteners }: Pick<JobView, 'fasteners'>,
  { id, serial }: Pick<Tool, 'id' | 'serial'>,
  hasNumbers: boolean,
): RecordedReadings => {
  const kept: { at: number; number: number | null; text: string }[] = [];
  const made: { value: number; at: number }[] = [];
  for (const { pulls } of fasteners)
    for (const { body, deviceTime, voided } of pulls) {
      const { device, reading, toolId } = body;
      if (!reading || toolId !== id) continue;
      if (device?.serial === serial && device.readAt !== null) {
        const number = hasNumbers ? device.number : null;
        kept.push({ at: Date.parse(device.readAt), number, text: reading.text });
      } else if (voided === null) made.push({ value: reading.value, at: Date.parse(deviceTime) });
    }
  return { kept, made };
};

const keysOf = ({ at, number, text }: RecordedReadings['kept'][number]): readonly string[] => [
  ...(number === null ? [] : [`${number} read ${text}`]),
  `at ${at}`,
];

/** Tells of each reading whether it is in the record already. Each pull of the record answers for one reading: a memory may say the minute and no more. */
const known = ({ kept, made }: RecordedReadings): ((reading: MemoryReading) => boolean) => {
  const left = [...made];
  const answering = new Map<string, Set<RecordedReadings['kept'][number]>>();
  for (const pull of kept)
    for (const key of keysOf(pull)) answering.set(key, (answering.get(key) ?? new Set()).add(pull));
  return (reading) => {
    for (const key of keysOf(reading)) {
      const [pull] = answering.get(key) ?? [];
      if (!pull) continue;
      for (const each of keysOf(pull)) answering.get(each)?.delete(pull);
      return true;
    }
    const { value, at } = reading;
    const same = left.findIndex((pull) => pull.value === value && Math.abs(pull.at - at) <= SAME_PULL_MS);
    if (same < 0) return false;
    left.splice(same, 1);
    return true;
  };
};

/** How a memory and a job come together. `since` and `until` are the time of the work in milliseconds since 1970. */
export type Matching = {
  readonly readings: readonly MemoryReading[];
  readonly awaited: readonly AwaitedPull[];
  readonly unit: Tool['scale']['unit'];
  readonly since: number;
  readonly until: number;
  readonly recorded: RecordedReadings;
  /** By the line in the file. */
  readonly choices: ReadonlyMap<number, MemoryChoice>;
};

/** Matches the readings of a memory to the pulls that a job waits for: by time and in order, as the bench would have led. After one that is low the same fastener comes again; after
 *  any other the next. What is like none, and what comes when nothing is waited for any more, is left for a person to look at. */
export const matchMemory = ({
  readings,
  awaited,
  unit,
  since,
  until,
  recorded,
  choices,
}: Matching): readonly MatchedReading[] => {
  const isRecorded = known(recorded);
  let next = 0;
  let before: { readonly awaited: AwaitedPull; readonly isLow: boolean } | null = null;
  return readings.map((reading): MatchedReading => {
    const none = (kind: Unmatched): MatchedReading => ({ reading, match: { kind } });
    const choice = choices.get(reading.line);
    if (isRecorded(reading)) return none('recorded');
    if (choice === 'leave-out') return none('left-out');
    if (reading.at < since || reading.at > until) return none('outside');
    if (reading.unit !== unit) return none('other-unit');
    const isAgain = choice === 'again' || (choice !== 'next' && before?.isLow === true);
    const here = isAgain && before ? before.awaited : awaited[next];
    if (!here) return none('over');
    const isLike = reading.value >= here.low * LEAST_OF_LOW && reading.value <= here.high * MOST_OF_HIGH;
    if (!isLike && choice === undefined) return none('unlike');
    const stands = standing(reading.value, here);
    if (!(isAgain && before)) next += 1;
    const kind = isAgain && before ? 'again' : 'in-order';
    before = { awaited: here, isLow: stands === 'low' };
    return { reading, match: { kind, awaited: here, stands } };
  });
};

/** The pulls that nothing in the memory was matched to. */
export const unmetPulls = (
  awaited: readonly AwaitedPull[],
  matched: readonly MatchedReading[],
): readonly AwaitedPull[] => {
  const keyOf = ({ position, pass }: AwaitedPull): string => `${pass} ${position}`;
  const met = new Set(matched.flatMap(({ match }) => ('awaited' in match ? [keyOf(match.awaited)] : [])));
  return awaited.filter((each) => !met.has(keyOf(each)));
};
