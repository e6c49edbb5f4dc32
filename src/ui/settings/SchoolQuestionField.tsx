import { useFormContext, useWatch } from 'react-hook-form';
import type { Schools } from '#core/target/schools.ts';
import { schoolWords } from '#wire/words/derivation.ts';
import type { SchoolQuestion } from '#wire/words/schools.ts';
import { TextField } from '../kit/form/TextField.tsx';
import { schoolExample } from './school-example.ts';

type Props = {
  readonly question: SchoolQuestion;
  /** As they stand in the form, for the example; null while a number in it can't be read. */
  readonly schools: Schools | null;
};

/** One question on which practitioners disagree: its answers, and what the chosen one does, worked out now. */
export const SchoolQuestionField = ({
  question: { id, question, choices, amount, effect },
  schools,
}: Props) => {
  const { register } = useFormContext();
  const chosen = useWatch({ name: `schools.${id}` });
  const example =
    (schools && schoolExample(id, schools)) ??
    (effect as Readonly<Record<string, string>> | undefined)?.[String(chosen)];
  return (
    <fieldset className="m-0 grid content-start gap-2 border-0 border-t border-rule p-0 pt-3">
      <legend className="float-left p-0 font-bold">{question}</legend>
      <div className="clear-left flex flex-wrap gap-2">
        {choices.map((choice, index) => (
          <label
            key={choice}
            className="act-quiet cursor-pointer has-checked:border-layout has-checked:font-bold has-focus-visible:outline-3 has-focus-visible:outline-layout"
          >
            <input type="radio" className="sr-only" value={choice} {...register(`schools.${id}`)} />
            {schoolWords({ question: id, choice } as Parameters<typeof schoolWords>[0])}
            {index === 0 && <span className="text-s font-normal text-faint">usual</span>}
          </label>
        ))}
      </div>
      {amount && chosen === amount.with && (
        <TextField
          name={`schools.${amount.id}`}
          label={amount.name}
          inputMode="decimal"
          className="max-w-60"
          look="font-mono"
        />
      )}
      <p className="text-s text-faint" data-testid={`example-${id}`}>
        {example}
      </p>
    </fieldset>
  );
};
