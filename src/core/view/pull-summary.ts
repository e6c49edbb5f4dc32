import type { FastenerStatus, TakenTool } from './bench.ts';
import type { JobView } from './job-view.ts';

/** What was pulled on a job and with what, as whoever signs must see it. */
export type PullSummary = {
  /** How many fasteners stand at each status. */
  readonly byStatus: ReadonlyMap<FastenerStatus, number>;
  readonly pulls: number;
  readonly voided: number;
  /** Fasteners that were pulled again in a pass they had been pulled in. */
  readonly rePulled: readonly string[];
  /** Fasteners of which a person said that a reading that looked like another unit stands. */
  readonly stood: readonly string[];
  readonly tools: readonly { readonly taken: TakenTool; readonly pulls: number }[];
};

const isRepeated = (passes: readonly number[]): boolean => new Set(passes).size < passes.length;

/** Counts that over all fasteners of a job. */
export const pullSummary = ({ fasteners, takenTools }: JobView): PullSummary => {
  const byStatus = new Map<FastenerStatus, number>();
  for (const { status } of fasteners) byStatus.set(status, (byStatus.get(status) ?? 0) + 1);
  const all = fasteners.flatMap(({ pulls }) => pulls);
  const standing = all.filter(({ voided }) => voided === null);
  return {
    byStatus,
    pulls: standing.length,
    voided: all.length - standing.length,
    rePulled: fasteners
      .filter(({ pulls }) =>
        isRepeated(pulls.filter(({ voided }) => voided === null).map(({ body }) => body.pass)),
      )
      .map(({ planned }) => planned.position),
    stood: [...new Set(standing.filter(({ body }) => body.readingStands).map(({ body }) => body.position))],
    tools: [...takenTools.values()].map((taken) => ({
      taken,
      pulls: standing.filter(({ body }) => body.toolId === taken.tool.id).length,
    })),
  };
};
