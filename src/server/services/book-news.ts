import type { BookReference } from '#core/spec/book/book-reference.ts';
import { fromRequirement } from '#core/spec/book/from-book.ts';
import { sourceName } from '#core/spec/book/source.ts';
import type { FastenerView } from '#core/view/bench.ts';
import type { JobView } from '#core/view/job-view.ts';
import type { BookNews } from '#wire/book.ts';
import { type Connection, database } from '../database/pool.ts';
import { selectRequirement } from '../queries/book-requirements.ts';
import { selectTable } from '../queries/book-tables.ts';
import { selectSource } from '../queries/sources.ts';

type Used = { readonly book: BookReference; readonly fasteners: readonly FastenerView[] };

const usedIn = (state: JobView): readonly Used[] => {
  const used = new Map<string, Used>();
  for (const fastener of state.fasteners) {
    const { book } = fastener.planned.requirement;
    if (!book) continue;
    const key = `${book.kind} ${book.id} ${book.revision} ${book.source.place}`;
    used.set(key, { book, fasteners: [...(used.get(key)?.fasteners ?? []), fastener] });
  }
  return [...used.values()];
};

const newsOf = async (db: Connection, { book, fasteners }: Used): Promise<BookNews | null> => {
  const kept =
    book.kind === 'requirement'
      ? await selectRequirement(db, { id: book.id })
      : await selectTable(db, book.id);
  const source = kept && (await selectSource(db, kept.sourceId));
  if (!kept || !source) return null;
  const isAsUsed = kept.revision === book.revision && !kept.isWithdrawn && source.status === 'current';
  if (isAsUsed) return null;
  const requirement = 'code' in kept ? kept : null;
  const isInForce = !kept.isWithdrawn && source.status === 'current';
  const { printed, readAs } = (fasteners[0] as FastenerView).planned.requirement;
  return {
    kind: book.kind,
    refId: book.id,
    code: book.code,
    usedRevision: book.revision,
    newestRevision: kept.revision,
    usedPrint: readAs ?? printed,
    newestPrint: requirement?.body.torque.printed ?? '',
    isWithdrawn: kept.isWithdrawn,
    sourceTitle: sourceName(source),
    sourceStatus: source.status,
    positions: fasteners.map(({ planned }) => planned.position),
    fromBook: requirement && isInForce ? fromRequirement(requirement, source, null) : null,
  };
};

/** What has become of the values a job rests on: newer revisions, withdrawals, sources no longer in force. The job keeps what it used. */
export const bookNews = async (state: JobView): Promise<readonly BookNews[]> => {
  const news = await Promise.all(usedIn(state).map((used) => newsOf(database(), used)));
  return news.filter((each) => each !== null);
};
