import { useRef, useState } from 'react';
import { useWatch } from 'react-hook-form';
import { z } from 'zod';
import { call } from '#client/api.ts';
import { deviceId } from '#client/device/id.ts';
import { deviceNow, newId } from '#client/happen.ts';
import type { LedgerEvent } from '#core/event/lifted.ts';
import type { SignatureMeaning, SignedHead } from '#core/job/signature.ts';
import type { Person } from '#core/people/person.ts';
import { OPERATIONS } from '#wire/api.ts';
import { newSignatureSchema } from '#wire/signature.ts';
import { ChoiceField } from '../../kit/form/ChoiceField.tsx';
import { Form } from '../../kit/form/Form.tsx';
import { SubmitButton } from '../../kit/form/SubmitButton.tsx';
import { TextField } from '../../kit/form/TextField.tsx';
import { useKitForm } from '../../kit/form/use-kit-form.ts';

type Props = {
  readonly job: string;
  readonly meaning: SignatureMeaning;
  readonly people: readonly Person[];
  /** Whoever is signed in on this device, where they may sign this; else nobody is chosen for them. */
  readonly first: Person | null;
  readonly isHeld: boolean;
  /** Where the job's chain stands on this screen: what is signed. */
  readonly head: SignedHead;
  readonly onSigned: (event: LedgerEvent) => void;
  /** The job has moved on since this screen was drawn. */
  readonly onMoved: () => void;
};

const TITLES: Record<SignatureMeaning, string> = {
  done: 'Sign for the work',
  inspected: 'Sign for the inspection',
};

const statement = (meaning: SignatureMeaning, who: string): string =>
  meaning === 'done'
    ? `I, ${who}, did this work as the record states it.`
    : `I, ${who}, inspected this work and its record, and did not do the work myself.`;

const schema = z.object({
  personId: z.uuid('Choose who signs.'),
  pin: newSignatureSchema.shape.pin,
});

/** Signs with a PIN: one's own, whoever is signed in on this device. Says plainly who signs, and as what. */
export const SignForm = ({ job, meaning, people, first, isHeld, head, onSigned, onMoved }: Props) => {
  const form = useKitForm(schema, {
    defaults: { personId: first?.id ?? '', pin: '' },
    draft: null,
  });
  const [isNoPull, setNoPull] = useState(false);
  const personId = useWatch({ control: form.control, name: 'personId' });
  const signer = people.find(({ id }) => id === personId);
  // The same id until it is signed: a signature sent twice counts once.
  const attempt = useRef<string>(newId());
  const sign = async (said: z.output<typeof schema>) => {
    const at = deviceNow();
    const answer = await call(
      OPERATIONS.signJob,
      {
        ...said,
        eventId: attempt.current,
        deviceTime: at,
        sentAt: at,
        device: deviceId(),
        meaning,
        head,
        madeNoPull: isNoPull,
      },
      { job },
    );
    if (answer.ok) {
      form.setValue('pin', '');
      onSigned(answer.value);
      return null;
    }
    const { code } = answer.problem.problem;
    // A question is answered with the PIN that was typed; anything else asks for it again.
    if (code !== 'no-pull-by-signer') form.setValue('pin', '');
    setNoPull(code === 'no-pull-by-signer');
    if (code === 'head-moved') onMoved();
    if (!answer.problem.retry) attempt.current = newId();
    return answer.problem;
  };
  return (
    <Form form={form} className="grid gap-3" onSend={sign}>
      <h3 className="text-l font-bold">{TITLES[meaning]}</h3>
      <ChoiceField
        name="personId"
        label="Who signs"
        onChoose={() => setNoPull(false)}
        options={[
          { value: '', words: 'choose who signs' },
          ...people.map(({ id, name, role }) => ({ value: id, words: `${name}, ${role}` })),
        ]}
      />
      <p data-testid="statement">
        {signer
          ? `“${statement(meaning, `${signer.name}, ${signer.role}`)}”`
          : 'A signature says who stands for it: choose yourself.'}
      </p>
      <TextField
        name="pin"
        label={signer ? `PIN of ${signer.name}` : 'PIN'}
        type="password"
        inputMode="numeric"
        autoComplete="off"
        maxLength={8}
        look="font-mono text-xl tracking-widest"
      />
      <SubmitButton className="text-l" isHeld={isHeld}>
        {isHeld
          ? 'Waiting until everything is sent'
          : isNoPull
            ? 'Sign all the same: I made no pull here'
            : `Sign as ${meaning}`}
      </SubmitButton>
    </Form>
  );
};
