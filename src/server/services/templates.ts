import type { LedgerEvent } from '#core/event/lifted.ts';
import { assemblyOf, type Template, templateSchema, withoutParts } from '#core/job/template.ts';
import { accepted, type Result, refused } from '#core/result.ts';
import type { Problem } from '#wire/problems/problem.ts';
import type { KeptTemplate, ListedTemplate, NewTemplate, TemplateJob } from '#wire/template.ts';
import { type ContactOf, unknownContact } from '../append/append-events.ts';
import { caughtUp } from '../append/remembered-job.ts';
import type { Asker } from '../asker.ts';
import { type Connection, database } from '../database/pool.ts';
import { readableRows } from '../database/readable-rows.ts';
import { inTransaction } from '../database/transaction.ts';
import { lockSite } from '../queries/site.ts';
import { insertLogEntry } from '../queries/site-log.ts';
import { selectWritten, type Written } from '../queries/written.ts';
import { openAsBefore } from './begin-from-plan.ts';
import { now } from './clock.ts';

const listed = ({ template, ...rest }: KeptTemplate): ListedTemplate => rest;

const keptOf = ({ revision, changedAt, changedBy, body }: Written): KeptTemplate => {
  const template = templateSchema.parse(body) as Template;
  const { groups, fasteners } = template.assembly;
  return {
    id: template.id,
    title: template.title,
    revision,
    changedAt,
    changedBy,
    fasteners: fasteners.length,
    kinds: [...new Set(groups.map(({ kind }) => kind.name))],
    template,
  };
};

const keptIn = async (db: Connection, id: string | null): Promise<readonly KeptTemplate[]> =>
  readableRows(
    'template',
    (await selectWritten(db, 'template-kept', id)).map((written) => ({ id: written.subject, ...written })),
    keptOf,
  );

/** Every template, the one changed last first. */
export const allTemplates = async (): Promise<readonly ListedTemplate[]> =>
  (await keptIn(database(), null)).map(listed);

/** A template as it is now. Refuses: not-found. */
export const templateNow = async (id: string): Promise<Result<KeptTemplate, Problem>> => {
  const [kept] = await keptIn(database(), id);
  return kept ? accepted(kept) : refused({ code: 'not-found', what: 'template' });
};

/** Keeps the plan of a job as a template, or as the next revision of one; jobs that were opened from it stay as they are. The same sent again is kept once.
 *  Refuses: not-found (no such job), ledger-broken, revision-stale (somebody changed it since). */
export const keepTemplate = async (
  { id, title, job: jobId, basedOn }: NewTemplate,
  by: Asker,
): Promise<Result<ListedTemplate, Problem>> => {
  const job = await caughtUp(database(), jobId);
  if (!job.ok) return job;
  const { view } = job.value;
  if (!view) return refused({ code: 'not-found', what: 'job' });
  const template: Template = { id, title, fromJob: jobId, assembly: assemblyOf(view.plan) };
  return inTransaction(
    async (db): Promise<Result<ListedTemplate, Problem>> => {
      // Of two who keep the same one at once, the second sees the first.
      await lockSite(db);
      const [before] = await keptIn(db, id);
      const isSentAgain = before?.template.fromJob === jobId && before.title === title;
      if (before && isSentAgain && before.revision === basedOn + 1) return accepted(listed(before));
      if ((before?.revision ?? 0) !== basedOn)
        return before
          ? refused({ code: 'revision-stale', by: before.changedBy })
          : refused({ code: 'not-found', what: 'template' });
      const entry = { at: now(), by, kind: 'template-kept', subject: id, why: '' } as const;
      await insertLogEntry(db, { ...entry, body: template });
      const [kept] = await keptIn(db, id);
      return kept ? accepted(listed(kept)) : refused({ code: 'not-found', what: 'template' });
    },
    (result) => result.ok,
  );
};

/** Opens a job from a template as it is now, under the site's schools of the moment. Idempotent by event id.
 *  Refuses: not-found, event-id-used, and what decide refuses. */
export const openTemplate = async (
  id: string,
  { jobId, eventId, deviceTime, title, asset, isSameParts }: TemplateJob,
  by: Asker,
  contactOf: ContactOf = unknownContact,
): Promise<Result<LedgerEvent, Problem>> => {
  const kept = await templateNow(id);
  if (!kept.ok) return kept;
  const { assembly } = kept.value.template as Template;
  const plan = {
    ...(isSameParts ? assembly : withoutParts(assembly)),
    title,
    asset: asset && { ...asset, isIrreplaceable: false },
  };
  return openAsBefore(plan, { job: jobId, event: eventId, deviceTime }, by, contactOf);
};
