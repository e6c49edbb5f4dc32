import { deviceNow } from '#client/happen.ts';
import type { SentJob } from '#wire/new-job.ts';
import type { FastenerListDraft } from './use-fastener-list.ts';

/** What a person has said of a job on its way in, kept in this browser until it is imported. */
export type ImportDraft = {
  readonly title: string;
  readonly sourceTitle: string;
  readonly revision: string;
  readonly place: string;
  readonly assetCode: string;
  readonly assetName: string;
  readonly list: FastenerListDraft | null;
};

/** Nothing said yet. */
export const EMPTY_IMPORT: ImportDraft = {
  title: '',
  sourceTitle: '',
  revision: '',
  place: '',
  assetCode: '',
  assetName: '',
  list: null,
};
/** A draft as it was kept; null where it is none. */
export const revivedImport = (kept: unknown): ImportDraft | null =>
  typeof kept === 'object' && kept !== null && 'title' in kept
    ? { ...EMPTY_IMPORT, ...(kept as ImportDraft) }
    : null;

const textCells = (cells: Readonly<Record<string, string | undefined>>): Record<string, string> =>
  Object.fromEntries(
    Object.entries(cells).flatMap(([key, text]) => (text === undefined ? [] : [[key, text]])),
  );

/** The job that a draft asks for. */
export const newJobOf = (
  draft: ImportDraft,
  attempt: { readonly jobId: string; readonly eventId: string },
): SentJob => ({
  ...attempt,
  deviceTime: deviceNow(),
  title: draft.title,
  source: { title: draft.sourceTitle, revision: draft.revision, place: draft.place },
  asset: draft.assetCode.trim()
    ? { code: draft.assetCode, name: draft.assetName.trim() || draft.assetCode }
    : null,
  groups: (draft.list?.groups ?? []).map((group) => ({
    ...group,
    title: group.title || draft.title.slice(0, 80),
    irreplaceable: [...group.irreplaceable],
  })),
  lines: (draft.list?.lines ?? []).map(({ line, cells, readAs, book }) => ({
    line,
    cells: textCells(cells),
    readAs,
    book: book ?? null,
  })),
});
