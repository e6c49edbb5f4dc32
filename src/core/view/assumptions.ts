import { targetOrNull } from './fastener-target.ts';
import { isByHand } from './group-work.ts';
import type { JobView } from './job-view.ts';

/** Something of a job that no source says and that was assumed, with the fasteners it holds for. Its id is what a person confirms. */
export type Assumption = {
  readonly id: 'assumed-drive' | 'assumed-acceptance';
  /** What was assumed: the drive, or the rules of the derivation that assume. */
  readonly what: readonly string[];
  readonly positions: readonly string[];
};

const once = (values: readonly string[]): readonly string[] => [...new Set(values)];

/** What was assumed on a job: drives that its list does not name, and limits that its sources do not print. */
export const assumptionsOf = (job: JobView): readonly Assumption[] => {
  const drives = job.fasteners.filter((each) => each.planned.driveAssumed && !isByHand(each));
  const limits = job.fasteners.flatMap((each) => {
    const steps = (targetOrNull(job, each)?.steps ?? []).filter(({ assumed }) => assumed);
    return steps.length > 0
      ? [{ position: each.planned.position, rules: steps.map(({ rule }) => rule) }]
      : [];
  });
  return [
    ...(drives.length > 0
      ? [
          {
            id: 'assumed-drive' as const,
            what: once(drives.map(({ planned }) => planned.drive)),
            positions: drives.map(({ planned }) => planned.position),
          },
        ]
      : []),
    ...(limits.length > 0
      ? [
          {
            id: 'assumed-acceptance' as const,
            what: once(limits.flatMap(({ rules }) => rules)),
            positions: limits.map(({ position }) => position),
          },
        ]
      : []),
  ];
};
