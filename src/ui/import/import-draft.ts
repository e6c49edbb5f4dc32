import { z } from 'zod';
import { deviceNow } from '#client/happen.ts';
import { partCodeSchema } from '#core/job/plan.ts';
import { newJobSchema, type SentJob } from '#wire/new-job.ts';
import type { FastenerListDraft } from './use-fastener-list.ts';

const { title, source, asset } = newJobSchema.shape;

/** What a person says of a job on its way in, as the form holds it. */
export const importFactsSchema = z.object({
  title,
  sourceTitle: source.shape.title,
  revision: source.shape.revision,
  place: source.shape.place,
  assetCode: z.union([z.string().regex(/^\s*$/), partCodeSchema]),
  assetName: asset.unwrap().shape.name.or(z.string().regex(/^\s*$/)),
});
export type ImportFacts = z.output<typeof importFactsSchema>;

/** Nothing said yet. */
export const EMPTY_FACTS: z.input<typeof importFactsSchema> = {
  title: '',
  sourceTitle: '',
  revision: '',
  place: '',
  assetCode: '',
  assetName: '',
};

const textCells = (cells: Readonly<Record<string, string | undefined>>): Record<string, string> =>
  Object.fromEntries(
    Object.entries(cells).flatMap(([key, text]) => (text === undefined ? [] : [[key, text]])),
  );

/** The job that a draft asks for. */
export const newJobOf = (
  facts: ImportFacts,
  list: Pick<FastenerListDraft, 'lines' | 'groups'> | null,
  attempt: { readonly jobId: string; readonly eventId: string },
): SentJob => ({
  ...attempt,
  deviceTime: deviceNow(),
  title: facts.title,
  source: { title: facts.sourceTitle, revision: facts.revision, place: facts.place },
  asset: facts.assetCode.trim()
    ? { code: facts.assetCode, name: facts.assetName.trim() || facts.assetCode }
    : null,
  groups: (list?.groups ?? []).map((group) => ({
    ...group,
    title: group.title || facts.title.slice(0, 80),
    irreplaceable: [...group.irreplaceable],
  })),
  lines: (list?.lines ?? []).map(({ line, cells, readAs, book }) => ({
    line,
    cells: textCells(cells),
    readAs,
    book: book ?? null,
  })),
});
