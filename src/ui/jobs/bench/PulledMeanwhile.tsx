import { fastenerAt } from '#core/view/bench.ts';
import type { JobView } from '#core/view/job-view.ts';
import { STATUS_WORDS, verdictWords } from '#wire/words/verdict.ts';
import { Dialog } from '../../kit/Dialog.tsx';
import { timeHere } from '../../kit/time/here.ts';
import { requirementView } from '../requirement-view.ts';
import type { Bench } from './use-bench.ts';

type Props = { readonly bench: Bench; readonly view: JobView; readonly onClose: () => void };

/** Shows that somebody else pulled the fastener in hand, before one's own pull is recorded. */
export const PulledMeanwhile = ({ bench, view, onClose }: Props) => {
  const { meanwhile } = bench;
  const fastener = meanwhile ? fastenerAt(view, meanwhile.position) : undefined;
  const pull = fastener?.pulls.find(({ eventId }) => eventId === meanwhile?.eventId);
  if (!meanwhile || !fastener || !pull) return null;
  const { unit, resolution } = requirementView(view, fastener);
  const { fact } = verdictWords(pull.body, unit, resolution);
  return (
    <Dialog title={`${meanwhile.position} was pulled by ${pull.person.name}`} onClose={onClose}>
      <p className="mb-3">
        At {timeHere(pull.clock?.correctedTime ?? pull.deviceTime)}:{' '}
        <strong>{STATUS_WORDS[pull.body.outcome]}</strong>, {fact}
      </p>
      {meanwhile.mine ? (
        <>
          <p className="mb-4">
            Your own pull is not recorded yet. If you made it, record it too: both stay in the record.
          </p>
          <div className="flex flex-wrap gap-2">
            <button type="button" className="act" onClick={bench.recordMineToo}>
              I pulled it too: record mine
            </button>
            <button type="button" className="act-quiet" onClick={onClose}>
              I did not pull it
            </button>
          </div>
        </>
      ) : (
        <>
          <p className="mb-4">
            It is the fastener in front of you. Agree with {pull.person.name} who works where.
          </p>
          <button type="button" className="act" onClick={onClose}>
            Seen
          </button>
        </>
      )}
    </Dialog>
  );
};
