import Plus from 'lucide-react/icons/plus';
import { useState } from 'react';
import { call } from '#client/api.ts';
import { TEMPLATE_OPERATIONS } from '#wire/api-templates.ts';
import type { OwnKind } from '#wire/joint-kind.ts';
import type { ProblemDetails } from '#wire/problems/details-shape.ts';
import { ProblemNotice } from '../../kit/ProblemNotice.tsx';
import { KindFields } from './KindFields.tsx';
import { emptyStep, type KindDraft, kindOfDraft, type StepDraft } from './kind-draft.ts';
import { StepFields } from './StepFields.tsx';
import { TroublesFields } from './TroublesFields.tsx';

type Props = {
  readonly first: KindDraft;
  readonly onKept: (kept: OwnKind) => void;
  readonly onLeave: () => void;
};

const STEPS_MOST = 60;

/** A kind of joint of the site's own as it is written: its words, order and passes, each caution and step, and what to do when it goes wrong. */
export const KindEditor = ({ first, onKept, onLeave }: Props) => {
  const [draft, setDraft] = useState(first);
  const [problem, setProblem] = useState<ProblemDetails | null>(null);
  const [isSending, setSending] = useState(false);
  const set = (part: Partial<KindDraft>): void => setDraft((before) => ({ ...before, ...part }));
  const changeStep = (place: number, part: Partial<StepDraft>): void =>
    set({ steps: draft.steps.map((step, index) => (index === place ? { ...step, ...part } : step)) });
  const moveUp = (place: number): void => {
    const step = draft.steps[place];
    if (step) set({ steps: draft.steps.toSpliced(place, 1).toSpliced(place - 1, 0, step) });
  };
  const read = kindOfDraft(draft);
  const keep = async (): Promise<void> => {
    if (!('kind' in read)) return;
    setSending(true);
    const body = { kind: read.kind, basedOn: draft.basedOn };
    const answer = await call(TEMPLATE_OPERATIONS.writeJointKind, body);
    setSending(false);
    if (answer.ok) onKept(answer.value);
    else setProblem(answer.problem);
  };
  return (
    <section className="panel grid gap-4 p-4" aria-label="The kind of joint as it is written">
      <h2 className="text-l font-bold">
        {draft.basedOn > 0 ? `Revision ${draft.basedOn + 1} of ${first.name}` : `Like: ${draft.base.name}`}
      </h2>
      <KindFields draft={draft} onChange={set} />
      <h3 className="font-bold">Cautions and steps</h3>
      <ol className="grid gap-4">
        {draft.steps.map((step, place) => (
          <StepFields
            key={step.id}
            step={step}
            place={place}
            onChange={(part) => changeStep(place, part)}
            onUp={place > 0 ? () => moveUp(place) : null}
            onDrop={() => set({ steps: draft.steps.filter(({ id }) => id !== step.id) })}
          />
        ))}
      </ol>
      {draft.steps.length < STEPS_MOST && (
        <button
          type="button"
          className="act-quiet justify-self-start"
          onClick={() => set({ steps: [...draft.steps, emptyStep(draft.steps)] })}
        >
          <Plus size={18} aria-hidden="true" /> One more step
        </button>
      )}
      <TroublesFields troubles={draft.troubles} onChange={(troubles) => set({ troubles })} />
      <ProblemNotice problem={problem} />
      {'missing' in read && (
        <p role="status" className="font-semibold text-low">
          {read.missing}
        </p>
      )}
      <div className="flex flex-wrap gap-2">
        <button
          type="button"
          className="act"
          disabled={isSending || 'missing' in read}
          onClick={() => void keep()}
        >
          Keep it
        </button>
        <button type="button" className="act-quiet" onClick={onLeave}>
          Leave it as it was
        </button>
      </div>
      <p className="text-s text-faint">
        Local codes and the maker’s instructions decide; what is written here is what the bench asks for.
        Plans made before keep the revision they were made by.
      </p>
    </section>
  );
};
