import { FieldFrame } from './FieldFrame.tsx';
import { useField } from './use-field.ts';

type Props = {
  readonly name: string;
  readonly label: string;
  readonly hint?: string;
  readonly className?: string;
  readonly options: readonly { readonly value: string; readonly words: string }[];
  /** What to do beside taking the choice, such as what is usual with it. */
  readonly onChoose?: (value: string) => void;
};

/** One of several. */
export const ChoiceField = ({ name, label, hint, className, options, onChoose }: Props) => {
  const { input, error } = useField(name, label);
  return (
    <FieldFrame id={input.id} label={label} hint={hint} error={error} className={className}>
      <select
        className="field mt-1"
        {...input}
        onChange={(event) => {
          void input.onChange(event);
          onChoose?.(event.target.value);
        }}
      >
        {options.map(({ value, words }) => (
          <option key={value} value={value}>
            {words}
          </option>
        ))}
      </select>
    </FieldFrame>
  );
};
