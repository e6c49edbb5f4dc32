import type { DemoJob } from './work-demo-job.ts';

/** Work of the demo that came again and again over half a year: like which job, by whom, since when and how often. */
export type DemoHistory = {
  readonly like: string;
  readonly title: string;
  /** The machine it was done on; that of the job it is like where none is named. */
  readonly asset?: DemoJob['asset'];
  readonly tools: readonly string[];
  readonly technicians: readonly string[];
  readonly firstDaysAgo: number;
  readonly everyDays: number;
  readonly times: number;
};

const INSPECTOR = 'Farah';

/** The jobs of a history, each worked to its end, signed and, but for the last one of each kind, inspected; the very last of the first kind waits for its
 *  signature. */
export const historyJobs = (
  histories: readonly DemoHistory[],
  jobs: readonly DemoJob[],
): readonly DemoJob[] =>
  histories.flatMap(({ like, title, asset, tools, technicians, firstDaysAgo, everyDays, times }, kind) => {
    const model = jobs.find((job) => job.title === like);
    if (!model) throw new Error(`the demo has no job ${like} to be like`);
    return Array.from({ length: times }, (_, index): DemoJob => {
      const technician = technicians[index % technicians.length] ?? model.technician;
      const isLast = index === times - 1;
      const done = { person: technician, meaning: 'done' } as const;
      const inspected = { person: INSPECTOR, meaning: 'inspected' } as const;
      return {
        ...model,
        asset: asset ?? model.asset,
        title: `${title} ${index + 1}`,
        groups: model.groups.map((group) => ({ ...group, tools })),
        technician,
        daysAgo: firstDaysAgo - index * everyDays,
        pulls: null,
        events: [],
        moved: [],
        signed: isLast ? (kind === 0 ? [] : [done]) : [done, inspected],
        checks: [],
      };
    });
  });
