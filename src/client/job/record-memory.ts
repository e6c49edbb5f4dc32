import { judgePull } from '#core/command/judge-pull.ts';
import type { MatchedReading } from '#core/command/match-memory.ts';
import type { JobHappening } from '#core/event/event.ts';
import type { JobRefusal } from '#core/job/refusal.ts';
import type { Tool } from '#core/tool/tool.ts';
import { nextAction } from '#core/view/next-action.ts';
import type { JobStore } from './job-store.ts';

/** How many pulls are recorded in one go, before the page is drawn and heard again. */
const BATCH = 40;
/** More than so many that wait to be sent are let go out first. */
const WAITING_MOST = 400;
const PAUSE_MS = 50;

/** How far the recording of a memory came; `stopped` is what the job refused, and where. */
export type MemoryRecorded = {
  readonly recorded: number;
  readonly stopped: { readonly refusal: JobRefusal; readonly line: number; readonly position: string } | null;
};

type Recording = {
  readonly job: Pick<JobStore, 'snapshot' | 'happen'>;
  readonly tool: Tool;
  readonly matched: readonly MatchedReading[];
  readonly onProgress: (done: number, total: number) => void;
  readonly isOver: () => boolean;
};

/** Lets something happen; what is refused is thrown out of the batch. */
const recordOne = (
  { job, tool }: Pick<Recording, 'job' | 'tool'>,
  { reading, match }: MatchedReading,
): JobRefusal | null => {
  if (!('awaited' in match)) return null;
  const { position } = match.awaited;
  const happen = (happening: JobHappening): JobRefusal | null => {
    const done = job.happen(happening);
    return done.ok ? null : done.refusal;
  };
  const action = nextAction(job.snapshot().view, position);
  if (action.kind === 'set-tool') {
    const { text, setting: value } = action.wanted;
    const setting = { text, value, unit: tool.scale.unit };
    const refusal = happen({ kind: 'tool-set', body: { toolId: tool.id, setting } });
    if (refusal) return refusal;
  }
  const judged = judgePull(job.snapshot().view, {
    position,
    method: 'reading',
    readingText: reading.text,
    // Each was looked at in the review.
    readingStands: true,
    device: {
      curve: null,
      number: reading.number,
      readAt: new Date(reading.at).toISOString(),
      serial: tool.serial,
    },
  });
  if (!judged.ok) return judged.refusal;
  const refusal = happen({ kind: 'pull-made', body: judged.value });
  const angle = reading.angleDegrees;
  if (refusal || angle === null || angle <= 0) return refusal;
  const after = nextAction(job.snapshot().view, position);
  if (after.kind !== 'turn') return null;
  const value = Math.round(angle * 10) / 10;
  const turned = { text: String(value), value, unit: '°' } as const;
  const said = { position, step: after.due.step, turned, method: 'live' } as const;
  const body = { ...said, askedDegrees: after.due.degrees, toleranceDegrees: 1, outcome: 'in' } as const;
  return happen({ kind: 'angle-turned', body });
};

const pause = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, PAUSE_MS));

/** Records what of a memory was matched, in batches, each pull judged as at the bench. It stops where the job refuses one; what was recorded before stays, and the rest can be
 *  recorded once what stood against it is done. */
export const recordMemory = async ({
  job,
  tool,
  matched,
  onProgress,
  isOver,
}: Recording): Promise<MemoryRecorded> => {
  const mine = matched.filter(({ match }) => 'awaited' in match);
  // Nothing is promised before it is on this device's disk; and what the site takes is let go out first.
  const isHeldUp = (): boolean => {
    const { waiting, settling, storageProblem } = job.snapshot();
    return storageProblem === null && (settling > 0 || (waiting > WAITING_MOST && navigator.onLine));
  };
  let recorded = 0;
  for (const each of mine) {
    const refusal = recordOne({ job, tool }, each);
    if (refusal && 'awaited' in each.match)
      return {
        recorded,
        stopped: { refusal, line: each.reading.line, position: each.match.awaited.position },
      };
    recorded += 1;
    if (recorded % BATCH !== 0) continue;
    onProgress(recorded, mine.length);
    await pause();
    while (isHeldUp() && !isOver()) await pause();
    if (isOver()) break;
  }
  onProgress(recorded, mine.length);
  return { recorded, stopped: null };
};
