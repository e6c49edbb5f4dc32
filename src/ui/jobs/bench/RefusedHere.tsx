import { Dialog } from '../../kit/Dialog.tsx';
import { RefusedEntry } from '../RefusedEntry.tsx';
import type { OpenJob } from '../use-job.ts';
import type { Bench } from './use-bench.ts';

type Props = { readonly bench: Bench; readonly job: OpenJob; readonly onClose: () => void };

/** Stops the bench at the fastener of which the site refused something, and says it. */
export const RefusedHere = ({ bench, job, onClose }: Props) => {
  const entry = job.refusedEntries.find(({ event }) => event.id === bench.refusedId);
  if (!entry) return null;
  return (
    <Dialog title="The site did not take this" onClose={onClose}>
      <p className="mb-3">
        It is not part of the record. What the site knows was fetched; the bench stands at the fastener it
        concerns.
      </p>
      <RefusedEntry entry={entry} onDone={onClose} />
    </Dialog>
  );
};
