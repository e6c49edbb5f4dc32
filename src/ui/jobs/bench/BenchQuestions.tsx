import type { Person } from '#core/people/person.ts';
import { Dialog } from '../../kit/Dialog.tsx';
import { WhyDialog } from '../../kit/WhyDialog.tsx';
import type { OpenJob } from '../use-job.ts';
import { BENCH_KEY_HELP } from './bench-key-help.ts';
import { DidItTurn } from './DidItTurn.tsx';
import { ElseDialog } from './ElseDialog.tsx';
import { Legend } from './Legend.tsx';
import { MakeSafe } from './MakeSafe.tsx';
import { NotKept } from './NotKept.tsx';
import { PulledMeanwhile } from './PulledMeanwhile.tsx';
import { RefusedHere } from './RefusedHere.tsx';
import { RemedyQuestion } from './RemedyQuestion.tsx';
import { SecondClick } from './SecondClick.tsx';
import type { Bench } from './use-bench.ts';

const Keys = ({ onClose }: { readonly onClose: () => void }) => (
  <Dialog title="Keys" onClose={onClose}>
    <dl className="grid gap-2">
      {BENCH_KEY_HELP.map(([key, does]) => (
        <div key={key} className="grid grid-cols-[10rem_1fr] gap-3">
          <dt className="font-mono font-bold">{key}</dt>
          <dd>{does}</dd>
        </div>
      ))}
    </dl>
  </Dialog>
);

const VoidThis = ({ bench, onClose }: { readonly bench: Bench; readonly onClose: () => void }) => {
  const { ownPull, fastener } = bench;
  if (!ownPull || !fastener) return null;
  const { position } = fastener.planned;
  return (
    <WhyDialog
      title={`Void the pull on ${position}`}
      explanation="It is struck out and stays in the record. The fastener is open again."
      action="Void it"
      usual={['wrong fastener', 'reading mistyped', 'bit slipped', 'wrong setting']}
      onClose={onClose}
      onDone={(why) => {
        if (bench.happen({ kind: 'pull-voided', body: { pullId: ownPull.eventId, why } }))
          bench.choose(position);
        onClose();
      }}
    />
  );
};

type Props = {
  readonly bench: Bench;
  readonly job: OpenJob;
  readonly person: Person;
  readonly people: readonly Person[];
};

/** What stands over the bench until it is answered. */
export const BenchQuestions = ({ bench, job, person, people }: Props) => {
  const { view } = job;
  const close = (): void => bench.ask(null);
  const title = bench.action.kind === 'step' ? bench.action.due.step.title : '';
  switch (bench.question) {
    case null:
      return null;
    case 'not-kept':
      return <NotKept job={job} onClose={close} />;
    case 'refused':
      return <RefusedHere bench={bench} job={job} onClose={close} />;
    case 'pulled-meanwhile':
      return <PulledMeanwhile bench={bench} view={view} onClose={close} />;
    case 'help':
      return <Keys onClose={close} />;
    case 'legend':
      return <Legend onClose={close} />;
    case 'did-it-turn':
      return <DidItTurn bench={bench} view={view} onClose={close} />;
    case 'void':
      return <VoidThis bench={bench} onClose={close} />;
    case 'make-safe':
      return (
        <MakeSafe
          view={view}
          person={person.name}
          onClose={close}
          onConfirm={(cautions) => {
            bench.happen({ kind: 'cautions-confirmed', body: { cautions } });
            close();
          }}
        />
      );
    case 'else':
      return (
        <ElseDialog
          bench={bench}
          view={view}
          person={person}
          people={people}
          allSent={job.allSent}
          onClose={close}
        />
      );
    case 'second-click':
      return <SecondClick bench={bench} onClose={close} />;
    case 'replace':
    case 'inspected-not-good':
      return <RemedyQuestion bench={bench} question={bench.question} onClose={close} />;
    case 'leave-step':
      return (
        <WhyDialog
          title={`Leave: ${title}`}
          explanation="Something waits for this step. The reason stands in the record beside your name."
          action="Leave it"
          usual={['not possible here', 'done before, same day', 'to be done later']}
          onClose={close}
          onDone={(why) => bench.doStep({ kind: 'left', why })}
        />
      );
    case 'step-not-good':
      return (
        <WhyDialog
          title={`Not good: ${title}`}
          explanation="It stays due until it is good, or is left with a reason. A part that is out goes into its history."
          action="Record it as not good"
          usual={['ring scratch', 'crack', 'crush mark', 'dirty, cleaned again', 'slips']}
          onClose={close}
          onDone={(note) => bench.doStep({ kind: 'inspected', isGood: false, note })}
        />
      );
  }
};
