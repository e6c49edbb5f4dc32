import type { ReactNode } from 'react';

type Props = {
  readonly id: string;
  readonly label: ReactNode;
  readonly hint?: ReactNode;
  readonly error: string | undefined;
  readonly className?: string | undefined;
  readonly children: ReactNode;
};

/** A field with its label above it, and below it what is wrong, or else a hint. */
export const FieldFrame = ({ id, label, hint, error, className, children }: Props) => (
  <div className={`min-w-0 ${className ?? ''}`}>
    <label htmlFor={id} className="block">
      {label}
    </label>
    {children}
    {error ? (
      <p id={`${id}-error`} className="text-s font-semibold text-high">
        {error}
      </p>
    ) : (
      hint && (
        <p id={`${id}-hint`} className="text-s text-faint">
          {hint}
        </p>
      )
    )}
  </div>
);
