import { useState } from 'react';
import { z } from 'zod';
import type { TakenPicture } from '#client/pictures/take-picture.ts';
import { siteAnswers } from '#client/site-answers.ts';
import type { Person } from '#core/people/person.ts';
import type { JobView } from '#core/view/job-view.ts';
import { Dialog } from '../../kit/Dialog.tsx';
import { Form } from '../../kit/form/Form.tsx';
import { SubmitButton } from '../../kit/form/SubmitButton.tsx';
import { TextField } from '../../kit/form/TextField.tsx';
import { useKitForm } from '../../kit/form/use-kit-form.ts';
import { TakePicture } from './TakePicture.tsx';
import type { Bench } from './use-bench.ts';

type Props = {
  readonly bench: Bench;
  readonly view: JobView;
  readonly person: Person;
  readonly isHandOver: boolean;
  /** Resolves once what happened here is with the site: who signs in next does not send it. */
  readonly allSent: () => Promise<void>;
  readonly onClose: () => void;
  /** Asks who takes over where nobody can sign in. */
  readonly onOutOfReach: () => void;
};

const LONGEST = 500;
const schema = z.object({ text: z.string().trim().max(LONGEST) });

/** Words, a photograph or both, for the record: of the fastener in front, or for the person who takes the job over. */
export const NoteForm = ({ bench, view, person, isHandOver, allSent, onClose, onOutOfReach }: Props) => {
  const [picture, setPicture] = useState<TakenPicture | null>(null);
  const form = useKitForm(schema, { defaults: { text: '' }, draft: `jentik-note-${view.job}` });
  const about = isHandOver ? null : bench.position;
  return (
    <Dialog
      title={isHandOver ? 'Hand the job over' : about === null ? 'Note of the job' : `Note of ${about}`}
      onClose={onClose}
    >
      <Form
        form={form}
        className="grid gap-3"
        onSend={async ({ text }) => {
          if (!bench.happen({ kind: 'note-made', body: { position: about, text, isHandOver, picture } }))
            return null;
          if (isHandOver) {
            if (!(await siteAnswers())) {
              onOutOfReach();
              return null;
            }
            await allSent();
            window.location.assign(`/sign-in?to=/jobs/${view.job}/bench`);
          } else onClose();
          return null;
        }}
      >
        {isHandOver && (
          <p>
            What was done is in the record, with your name. Say what the next person has to know; it stands at
            the head of the bench until they have seen it.
          </p>
        )}
        <TextField name="text" label={isHandOver ? 'What they must know' : 'Note'} maxLength={LONGEST} />
        <div>
          <TakePicture
            job={view.job}
            person={person}
            words={picture ? 'Photograph kept; take another' : 'Add a photograph'}
            onTaken={setPicture}
          />
        </div>
        <SubmitButton>
          {isHandOver ? 'Hand over, and let them sign in' : 'Put it into the record'}
        </SubmitButton>
      </Form>
    </Dialog>
  );
};
