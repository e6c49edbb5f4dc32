import { Dialog } from '../../kit/Dialog.tsx';
import type { OpenJob } from '../use-job.ts';

/** Says, before the next pull, that the last one is on no disk of this device. */
export const NotKept = ({ job, onClose }: { readonly job: OpenJob; readonly onClose: () => void }) => (
  <Dialog title="Not kept on this device" onClose={onClose}>
    <p className="mb-3">
      The browser refused to store what you did last. It is recorded here and is being sent; until then{' '}
      <strong>this tab alone holds it</strong>.{' '}
      {job.inMemory > 0
        ? `${job.inMemory} ${job.inMemory === 1 ? 'is' : 'are'} not sent yet.`
        : 'By now everything is sent.'}
    </p>
    <p className="mb-4">Free some space on this device. Close this tab only when its head says “all sent”.</p>
    <button type="button" className="act" onClick={onClose}>
      Go on, tab stays open
    </button>
  </Dialog>
);
