import { z } from 'zod';
import { whySchema } from '../../bounds.ts';
import { groupIdSchema, partCodeSchema, plannedPartSchema } from '../../job/plan.ts';
import { saysNothing } from '../../job/says-nothing.ts';
import { accepted, refused } from '../../result.ts';
import type { Shape } from '../../shape.ts';
import { loose } from '../../view/bench.ts';
import { withoutStepsOf } from '../../view/forgotten-steps.ts';
import { eventKind } from '../event-kind.ts';

const bodySchema = z.strictObject({
  group: groupIdSchema,
  part: partCodeSchema,
  why: whySchema,
  /** What takes its place; null where there is nothing to take it. */
  replacement: plannedPartSchema.nullable(),
});
type Scrapped = Shape<typeof bodySchema>;

/** A part found to be scrap, and what takes its place. What was done on the old one stays in its history; the new one is begun from the start. Where
 *  nothing takes its place, its fasteners are left open, with the reason. */
export const partScrapped = eventKind({
  kind: 'part-scrapped',
  body: bodySchema,
  actions: () => ['work-on-job'],
  says: (body: Scrapped) => body,
  /** Refuses: group-unknown, part-unknown, part-repeated (its replacement is on the group already), why-missing. */
  decide: (job, said) => {
    const group = job.plan.groups.find(({ id }) => id === said.group);
    if (!group) return refused({ code: 'group-unknown', group: said.group });
    if (!group.parts.some(({ code }) => code === said.part))
      return refused({ code: 'part-unknown', part: said.part });
    if (saysNothing(said.why)) return refused({ code: 'why-missing' });
    const { replacement } = said;
    const isRepeated = group.parts.some(({ code }) => code === replacement?.code);
    return replacement && isRepeated
      ? refused({ code: 'part-repeated', part: replacement.code })
      : accepted(said);
  },
  apply: {
    planning: ({ plan }, { body: { group, part, replacement } }) => ({
      plan: {
        ...plan,
        groups: plan.groups.map((each) =>
          each.id === group
            ? {
                ...each,
                parts: each.parts.flatMap((one) => (one.code === part ? (replacement ?? []) : one)),
              }
            : each,
        ),
      },
    }),
    bench: (job, { body: { group, part, why, replacement }, person }) => ({
      fasteners: job.fasteners.map((fastener) => {
        const { planned } = fastener;
        if (planned.group !== group || planned.part !== part) return fastener;
        return {
          ...loose(fastener),
          status: 'open' as const,
          planned: replacement ? { ...planned, part: replacement.code } : planned,
          runOn: null,
          remedy: null,
          leftOpen: replacement ? null : { why, person },
        };
      }),
    }),
    // By the part that they hold by now: the bench is changed before.
    steps: (job, { body: { group, replacement } }) =>
      withoutStepsOf(
        job,
        job.fasteners.filter(({ planned }) => planned.group === group && planned.part === replacement?.code),
        ['prepare', 'check'],
      ),
  },
});
