import { objectionWords, STATUS_WORDS } from '#wire/words/verdict.ts';
import type { OpenJob } from './use-job.ts';

/** Pulls that the site judged otherwise than they were shown here, until the person says that they have seen it. */
export const ToldPulls = ({ job }: { readonly job: OpenJob }) => {
  if (job.told.length === 0) return null;
  return (
    <div role="alert" className="grid gap-2 border-b border-rule p-3" data-testid="told">
      {job.told.map(({ eventId, position, shown, stands, objections }) => (
        <div
          key={eventId}
          className="flex flex-wrap items-center gap-3 rounded-md border-2 border-unsure p-3"
        >
          <p className="min-w-0 flex-1 basis-60">
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
          </p>
          <button type="button" className="act-quiet" onClick={() => job.seen(eventId)}>
            Seen
          </button>
        </div>
      ))}
    </div>
  );
};
