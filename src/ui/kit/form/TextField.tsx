import type { InputHTMLAttributes } from 'react';
import { FieldFrame } from './FieldFrame.tsx';
import { useField } from './use-field.ts';

type Own = Pick<
  InputHTMLAttributes<HTMLInputElement>,
  'placeholder' | 'inputMode' | 'autoComplete' | 'maxLength' | 'type' | 'list' | 'autoFocus'
>;

type Props = Own & {
  readonly name: string;
  readonly label: string;
  readonly hint?: string;
  /** Said behind the label, where the field may stay empty. */
  readonly isOptional?: boolean;
  readonly className?: string;
  readonly look?: string;
  /** Unit, said inside the label: no number stands without one. */
  readonly unit?: string;
};

/** A line of text; with a unit, a number. */
export const TextField = ({ name, label, hint, isOptional, className, look = '', unit, ...own }: Props) => {
  const { input, error } = useField(name, label);
  return (
    <FieldFrame
      id={input.id}
      label={
        <>
          {label}
          {unit && `, ${unit}`}
          {isOptional && <span className="text-faint"> (if it has one)</span>}
        </>
      }
      hint={hint}
      error={error}
      className={className}
    >
      <input className={`field mt-1 ${look}`} inputMode={unit ? 'decimal' : undefined} {...own} {...input} />
    </FieldFrame>
  );
};
