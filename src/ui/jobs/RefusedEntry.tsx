import { useState } from 'react';
import type { OutboxEntry } from '#client/outbox/entry.ts';
import { exportedEntries, sendAgain, setAsideFor } from '#client/outbox/refused.ts';
import type { ProblemDetails } from '#wire/problems/details-shape.ts';
import { happeningWords } from '#wire/words/happening.ts';
import { ProblemNotice } from '../kit/ProblemNotice.tsx';
import { timeHere } from '../kit/time/here.ts';
import { WhyDialog } from '../kit/WhyDialog.tsx';
import { fileLink } from '../shared/file-link.ts';

type Props = { readonly entry: OutboxEntry; readonly onDone?: () => void };

/** Something that happened here and that the site refused: what, why, and what can be done with it. */
export const RefusedEntry = ({ entry, onDone }: Props) => {
  const [isAsking, setAsking] = useState(false);
  const [failed, setFailed] = useState<ProblemDetails | null>(null);
  const { event, problem } = entry;
  return (
    <div className="grid gap-2" data-testid="refused-entry">
      <p className="text-s">
        Kept on this device, refused by the site: <strong>{happeningWords(event)}</strong>, by{' '}
        {event.person.name} at {timeHere(event.deviceTime)}
      </p>
      <ProblemNotice problem={problem} />
      <ProblemNotice problem={failed} />
      <div className="flex flex-wrap gap-2">
        <button type="button" className="act" onClick={() => void sendAgain(entry).then(onDone)}>
          Send it again
        </button>
        <button type="button" className="act-quiet" onClick={() => setAsking(true)}>
          Set it aside
        </button>
        <a
          className="act-quiet"
          download={`jentik-refused-${event.id}.json`}
          href={fileLink(exportedEntries([entry]))}
        >
          Save it as a file
        </a>
      </div>
      {isAsking && (
        <WhyDialog
          title="Set aside what was refused"
          explanation="It goes into the site’s log as it is, with your reason, and leaves this device. It does not become part of the job."
          action="Set it aside"
          usual={['done again since', 'pulled twice by mistake', 'wrong job']}
          onClose={() => setAsking(false)}
          onDone={(why) => {
            setAsking(false);
            void setAsideFor(entry, why).then((left) => {
              setFailed(left);
              if (!left) onDone?.();
            });
          }}
        />
      )}
    </div>
  );
};
