import { objectionWords, STATUS_WORDS } from '#wire/words/verdict.ts';
import type { OpenJob } from './use-job.ts';

/** A pull that the site judged otherwise than it was shown here, until the person says that they have seen it; then the next one. One at a time,
 *  so that on a phone the work stays in reach below it. */
export const ToldPulls = ({ job }: { readonly job: OpenJob }) => {
  const [first] = job.told;
  if (!first) return null;
  const { eventId, position, shown, stands, objections } = first;
  return (
    <div role="alert" className="border-b border-rule p-3 max-sm:p-2" data-testid="told">
      <div className="flex items-center gap-3 rounded-md border-2 border-unsure p-3 max-sm:p-2 max-sm:text-s">
        <p className="min-w-0 flex-1">
          <strong>{position}</strong>{' '}
          {shown === stands ? (
            <>
              is recorded as <strong>{STATUS_WORDS[stands]}</strong>.
            </>
          ) : (
            <>
              was shown to you as {STATUS_WORDS[shown]}; the site recorded it as{' '}
              <strong>{STATUS_WORDS[stands]}</strong>. Both stay in the record.
            </>
          )}{' '}
          {objections && `What the site knew: ${objectionWords(objections)}.`}
          {job.told.length > 1 && ` ${job.told.length - 1} more to see.`}
        </p>
        <button type="button" className="act-quiet" onClick={() => job.seen(eventId)}>
          Seen
        </button>
      </div>
    </div>
  );
};
