import { useTypedAhead } from './use-typed-ahead.ts';

type Props<T extends string> = {
  readonly label: string;
  readonly value: T;
  readonly options: readonly (readonly [value: T, words: string])[];
  readonly onChoose: (value: T) => void;
  readonly name?: string;
  readonly className?: string;
};

/** One of several that acts as it is chosen and is no form's; within a form, see ChoiceField. */
export const LoneChoice = <T extends string>({
  label,
  value,
  options,
  onChoose,
  name,
  className = '',
}: Props<T>) => {
  const choose = (text: string): void => {
    const chosen = options.find(([each]) => each === text);
    if (chosen) onChoose(chosen[0]);
  };
  const ahead = useTypedAhead<HTMLSelectElement>(value, (element) => choose(element.value));
  return (
    <label>
      {label}
      <select
        ref={ahead}
        name={name}
        className={`field mt-1 ${className}`}
        value={value}
        onChange={(event) => choose(event.target.value)}
      >
        {options.map(([each, words]) => (
          <option key={each} value={each}>
            {words}
          </option>
        ))}
      </select>
    </label>
  );
};
