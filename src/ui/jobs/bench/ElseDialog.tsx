import { useState } from 'react';
import { groupOf } from '#core/job/plan.ts';
import type { Person } from '#core/people/person.ts';
import { remedyFor, TROUBLES } from '#core/remedy/trouble.ts';
import type { JobView } from '#core/view/job-view.ts';
import { TROUBLE_WORDS } from '#wire/words/trouble.ts';
import { Dialog } from '../../kit/Dialog.tsx';
import { KnownTroubles } from './KnownTroubles.tsx';
import { NoteForm } from './NoteForm.tsx';
import { ScrapForm } from './ScrapForm.tsx';
import { TakeOver } from './TakeOver.tsx';
import type { Bench } from './use-bench.ts';

type Props = {
  readonly bench: Bench;
  readonly view: JobView;
  readonly person: Person;
  readonly people: readonly Person[];
  readonly allSent: () => Promise<void>;
  readonly onClose: () => void;
};

const CHOICE = 'act-quiet min-h-14 justify-start text-left';

/** What went wrong at the fastener in front, and what else there is to do or to note there. */
export const ElseDialog = ({ bench, view, person, people, allSent, onClose }: Props) => {
  const [asked, setAsked] = useState<'note' | 'hand-over' | 'take-over' | 'scrap' | 'nothing-harmed' | null>(
    null,
  );
  const { fastener, position } = bench;
  const group = fastener ? groupOf(view.plan, fastener.planned) : null;
  const part = group?.parts.find(({ code }) => code === fastener?.planned.part);
  const isSigned = view.signatures.length > 0;
  if (asked === 'note' || asked === 'hand-over')
    return (
      <NoteForm
        bench={bench}
        view={view}
        person={person}
        isHandOver={asked === 'hand-over'}
        allSent={allSent}
        onClose={onClose}
        onOutOfReach={() => setAsked('take-over')}
      />
    );
  if (asked === 'take-over')
    return <TakeOver bench={bench} job={view.job} person={person} people={people} onClose={onClose} />;
  if (asked === 'scrap' && group && part)
    return <ScrapForm bench={bench} group={group.id} part={part} onClose={onClose} />;
  if (asked === 'nothing-harmed')
    return (
      <Dialog title={`${position}: low`} isHeld onClose={onClose}>
        <p className="mb-4">{TROUBLE_WORDS.low.advice} It is in the record.</p>
        <button type="button" className="act w-full" onClick={onClose}>
          Pull on
        </button>
      </Dialog>
    );
  const mayFeel =
    view.cautions !== null && fastener && !fastener.isPastLimit && !isSigned && bench.action.kind !== 'step';
  return (
    <Dialog title={position === null ? 'What else' : `What else at ${position}`} isHeld onClose={onClose}>
      <div className="grid gap-4">
        {fastener && !isSigned && (
          <section className="grid gap-2">
            <h3 className="font-bold">Something went wrong</h3>
            <div className="grid gap-2 sm:grid-cols-2">
              {TROUBLES.map((trouble) => (
                <button
                  key={trouble}
                  type="button"
                  className={CHOICE}
                  onClick={() => {
                    bench.happen({
                      kind: 'trouble-met',
                      body: { position: fastener.planned.position, trouble, note: '' },
                    });
                    // Where nothing has to be put right, what to do is said here.
                    if (remedyFor(trouble, fastener.planned)) onClose();
                    else setAsked('nothing-harmed');
                  }}
                >
                  <span>
                    <strong className="block">{TROUBLE_WORDS[trouble].name}</strong>
                    <span className="block text-s font-normal text-faint">{TROUBLE_WORDS[trouble].sign}</span>
                  </span>
                </button>
              ))}
            </div>
            {group && <KnownTroubles kind={group.kind} />}
          </section>
        )}
        <section className="grid gap-2 sm:grid-cols-2">
          {mayFeel && (
            <button
              type="button"
              className={CHOICE}
              onClick={() => {
                onClose();
                bench.pull('by-feel', null);
              }}
            >
              No torque tool: by feel
            </button>
          )}
          {fastener && !isSigned && (
            <button type="button" className={CHOICE} onClick={() => bench.ask('replace')}>
              Replaced by a new one
            </button>
          )}
          {part && !isSigned && (
            <button type="button" className={CHOICE} onClick={() => setAsked('scrap')}>
              Scrap {part.name} {part.code}
            </button>
          )}
          <button type="button" className={CHOICE} onClick={() => setAsked('note')}>
            Note or photograph
          </button>
          <button type="button" className={CHOICE} onClick={() => setAsked('hand-over')}>
            Hand the job over
          </button>
        </section>
      </div>
    </Dialog>
  );
};
