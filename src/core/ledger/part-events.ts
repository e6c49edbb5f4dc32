import { z } from 'zod';
import type { JobEvent } from '../event/event.ts';
import { happenedAt } from '../job/happened.ts';
import { stepResultSchema } from '../job/step-done.ts';
import { limitsSchema } from '../joint/joint-step.ts';
import type { Shape } from '../shape.ts';
import { OUTCOMES } from '../verdict/tightening-verdict.ts';
import { fastenerAt } from '../view/bench.ts';
import type { JobView } from '../view/job-view.ts';

export const partBodySchema = z.discriminatedUnion('kind', [
  /** A job was planned on it, as a part of a group or as the machine it is done on. */
  z.strictObject({ kind: z.literal('planned'), name: z.string(), as: z.enum(['part', 'asset']) }),
  /** A step was done on it, or on a fastener that holds it. */
  z.strictObject({
    kind: z.literal('step'),
    title: z.string(),
    of: z.string().nullable(),
    result: stepResultSchema,
    limits: limitsSchema.nullable(),
    isGood: z.boolean(),
  }),
  /** A fastener that holds it was pulled, and was out. */
  z.strictObject({ kind: z.literal('pulled'), position: z.string(), outcome: z.enum(OUTCOMES) }),
  /** It was found to be scrap; what took its place, null where nothing did. */
  z.strictObject({ kind: z.literal('scrapped'), why: z.string(), replacement: z.string().nullable() }),
]);
/** What a part went through. */
export type PartBody = Shape<typeof partBodySchema>;

export type PartEvent = {
  readonly eventId: string;
  readonly code: string;
  readonly job: string;
  readonly at: string;
  readonly person: string;
  readonly body: PartBody;
};

type Touched = { readonly code: string; readonly body: PartBody };

/** The code of the part that a fastener held at the time. */
type PartAt = (position: string) => string | undefined;

const touchedBy = (event: JobEvent, { plan }: JobView, partAt: PartAt): readonly Touched[] => {
  if (event.kind === 'job-planned') {
    const { asset, groups } = event.body;
    const parts = groups.flatMap((group) => group.parts);
    return [
      ...(asset
        ? [{ code: asset.code, body: { kind: 'planned', name: asset.name, as: 'asset' } as const }]
        : []),
      ...[...new Map(parts.map((part) => [part.code, part])).values()].map(({ code, name }) => ({
        code,
        body: { kind: 'planned', name, as: 'part' } as const,
      })),
    ];
  }
  if (event.kind === 'step-done') {
    const { group, step: stepId, of, result, limits, isGood } = event.body;
    const found = plan.groups.find(({ id }) => id === group);
    const step = found?.kind.steps.find(({ id }) => id === stepId);
    if (!found || !step || of === null) return [];
    const code = step.scope === 'part' ? of : partAt(of);
    return code ? [{ code, body: { kind: 'step', title: step.title, of, result, limits, isGood } }] : [];
  }
  if (event.kind === 'pull-made') {
    const { position, outcome } = event.body;
    const code = partAt(position);
    // Of a ring of screws a part would have hundreds of good ones; what is told apart is what was not.
    return code && outcome !== 'reached' && outcome !== 'in'
      ? [{ code, body: { kind: 'pulled', position, outcome } }]
      : [];
  }
  if (event.kind === 'part-scrapped') {
    const { part, why, replacement } = event.body;
    const scrapped = { kind: 'scrapped', why, replacement: replacement?.code ?? null } as const;
    const planned = replacement && ({ kind: 'planned', name: replacement.name, as: 'part' } as const);
    return [{ code: part, body: scrapped }, ...(planned ? [{ code: replacement.code, body: planned }] : [])];
  }
  return [];
};

/** The code that a part's place had before it was scrapped and another took it, by the one it has since. */
type Before = ReadonlyMap<string, string>;

const placeKey = (group: string, code: string): string => JSON.stringify([group, code]);

/** Which part took whose place by the events that follow each, for the job as it stands after all of them. */
const placesBefore = (events: readonly JobEvent[]): readonly Before[] => {
  const all: Before[] = [];
  let later: Before = new Map();
  for (const event of [...events].reverse()) {
    if (event.kind === 'part-scrapped' && event.body.replacement) {
      const { group, part, replacement } = event.body;
      later = new Map(later).set(placeKey(group, replacement.code), part);
    }
    all.unshift(later);
  }
  return all;
};

/** What events of a job did to the parts it names, given how the job stands after them. */
export const partEvents = (events: readonly JobEvent[], after: JobView): readonly PartEvent[] => {
  const before = placesBefore(events);
  return events.flatMap((event, index) => {
    const partAt: PartAt = (position) => {
      const planned = fastenerAt(after, position)?.planned;
      let code = planned?.part;
      for (let was = code; planned && was !== undefined; ) {
        code = was;
        was = before[index]?.get(placeKey(planned.group, was));
      }
      return code;
    };
    return touchedBy(event, after, partAt).map(({ code, body }) => ({
      eventId: event.id,
      code,
      job: event.job,
      at: happenedAt(event),
      person: event.person.name,
      body,
    }));
  });
};
