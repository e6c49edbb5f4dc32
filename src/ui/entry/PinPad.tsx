import { z } from 'zod';
import { call } from '#client/api.ts';
import { forgetPages } from '#client/offline/pages.ts';
import type { Person } from '#core/people/person.ts';
import { OPERATIONS } from '#wire/api.ts';
import { pinSchema } from '#wire/person.ts';
import { PIN_DIGITS_MAX as PIN_MAX } from '#wire/site.ts';
import { Form } from '../kit/form/Form.tsx';
import { SubmitButton } from '../kit/form/SubmitButton.tsx';
import { TextField } from '../kit/form/TextField.tsx';
import { useKitForm } from '../kit/form/use-kit-form.ts';

const DIGITS = ['1', '2', '3', '4', '5', '6', '7', '8', '9', 'Clear', '0'] as const;

const schema = z.object({ pin: pinSchema });

type Props = { readonly person: Person; readonly to: string; readonly onBack: () => void };

/** The PIN of one person, typed or tapped. */
export const PinPad = ({ person, to, onBack }: Props) => {
  const form = useKitForm(schema, { defaults: { pin: '' }, draft: null });
  const { setFocus, setValue, getValues } = form;
  return (
    <Form
      form={form}
      className="panel mx-auto grid max-w-sm gap-3 p-5"
      onSend={async ({ pin }) => {
        const answer = await call(OPERATIONS.signIn, { personId: person.id, pin });
        if (answer.ok) {
          // What the person before might see is not this one's.
          await forgetPages();
          // What others tried, or what the PIN lacks, comes before the work.
          const { asksNewPin, wrongSince } = answer.value;
          window.location.assign(asksNewPin || wrongSince > 0 ? '/me' : to);
          return null;
        }
        setValue('pin', '');
        setFocus('pin');
        return answer.problem;
      }}
    >
      <h2 className="text-xl font-bold">{person.name}</h2>
      <TextField
        name="pin"
        label="PIN"
        type="password"
        inputMode="numeric"
        autoComplete="off"
        maxLength={PIN_MAX}
        // With the field and not by the form a moment after it: the first digit follows at once.
        autoFocus
        look="min-h-14 text-center font-mono text-2xl tracking-[0.4em]"
      />
      <div className="grid grid-cols-3 gap-2">
        {DIGITS.map((digit) => (
          <button
            key={digit}
            type="button"
            className="act-quiet min-h-14 text-l"
            onClick={() =>
              setValue('pin', digit === 'Clear' ? '' : (getValues('pin') + digit).slice(0, PIN_MAX))
            }
          >
            {digit}
          </button>
        ))}
        <SubmitButton>Sign in</SubmitButton>
      </div>
      <button type="button" className="min-h-11 text-layout underline underline-offset-3" onClick={onBack}>
        I am someone else
      </button>
    </Form>
  );
};
