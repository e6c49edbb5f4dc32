import type { InputHTMLAttributes } from 'react';
import { useTypedAhead } from './use-typed-ahead.ts';

type Own = Pick<InputHTMLAttributes<HTMLInputElement>, 'name' | 'inputMode' | 'maxLength' | 'className'>;

type Props = Own & {
  readonly label: string;
  readonly text: string;
  readonly onText: (text: string) => void;
};

/** A line of text that acts as it is typed and is no form's; within a form, see TextField. */
export const LoneField = ({ label, text, onText, className = 'text-l', ...own }: Props) => {
  const ahead = useTypedAhead(text, ({ value }) => onText(value));
  return (
    <label>
      {label}
      <input
        ref={ahead}
        className={`field mt-1 ${className}`}
        value={text}
        onChange={(event) => onText(event.target.value)}
        {...own}
      />
    </label>
  );
};
