import { useState } from 'react';
import { movedToBook } from '#core/job/moved-requirement.ts';
import { fastenerAt } from '#core/view/bench.ts';
import type { BookNews } from '#wire/book.ts';
import { WhyDialog } from '../../kit/WhyDialog.tsx';
import type { OpenJob } from '../use-job.ts';

const whatBecame = (news: BookNews): string => {
  if (news.isWithdrawn) return `${news.code} was withdrawn`;
  if (news.sourceStatus !== 'current')
    return `${news.code} rests on ${news.sourceTitle}, which is ${news.sourceStatus}`;
  return `${news.code} is at revision ${news.newestRevision} now: ${news.newestPrint}`;
};

/** Values of the book that have changed since the job was planned. It keeps what it used until a person moves it. */
export const BookNewsPanel = ({
  job,
  news,
}: {
  readonly job: OpenJob;
  readonly news: readonly BookNews[];
}) => {
  const [asked, setAsked] = useState<BookNews | null>(null);
  const isSigned = job.view.signatures.length > 0;
  // A fastener moved a moment ago no longer rests on the old revision.
  const standing = news.flatMap((each) => {
    const positions = each.positions.filter((position) => {
      const book = fastenerAt(job.view, position)?.planned.requirement.book;
      return book?.id === each.refId && book.revision === each.usedRevision;
    });
    return positions.length > 0 ? [{ ...each, positions }] : [];
  });
  if (standing.length === 0) return null;
  const move = (each: BookNews, why: string): void => {
    const { fromBook } = each;
    if (!fromBook) return;
    for (const position of each.positions) {
      const before = fastenerAt(job.view, position)?.planned.requirement;
      if (!before) continue;
      job.happen({
        kind: 'requirement-moved',
        body: {
          position,
          requirement: movedToBook(before, fromBook),
          why,
        },
      });
    }
  };
  return (
    <section
      className="panel grid gap-2 border-low p-4"
      aria-label="Changed in the spec book"
      data-testid="book-news"
    >
      <h2 className="text-l font-bold">Changed in the spec book since</h2>
      {standing.map((each) => (
        <div key={`${each.refId}${each.usedRevision}`} className="grid gap-2">
          <p>
            {whatBecame(each)}. {each.positions.length}{' '}
            {each.positions.length === 1 ? 'fastener uses' : 'fasteners use'} revision {each.usedRevision},{' '}
            <strong>{each.usedPrint}</strong>, and {each.positions.length === 1 ? 'keeps' : 'keep'} it.
          </p>
          {isSigned && (
            <a className="act-quiet justify-self-start" href={`/specs/recalls/${each.kind}/${each.refId}`}>
              Does what was pulled still conform?
            </a>
          )}
          {!isSigned && each.fromBook && (
            <button
              type="button"
              className="act-quiet justify-self-start"
              disabled={!job.isReady}
              onClick={() => setAsked(each)}
            >
              Move {each.positions.length} to {each.newestPrint}
            </button>
          )}
          {!isSigned && !each.fromBook && (
            <p className="text-s text-faint">Nothing in force takes its place yet.</p>
          )}
        </div>
      ))}
      {asked && (
        <WhyDialog
          title={`Move to ${asked.newestPrint}`}
          explanation={`${asked.positions.join(', ')}: what was pulled stays in the record; the fasteners are open again and are pulled by the new value.`}
          action="Move them"
          usual={['the source was revised', 'the old value was wrong']}
          onClose={() => setAsked(null)}
          onDone={(why) => {
            move(asked, why);
            setAsked(null);
          }}
        />
      )}
    </section>
  );
};
