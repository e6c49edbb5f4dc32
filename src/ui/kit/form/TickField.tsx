import type { ReactNode } from 'react';
import { useField } from './use-field.ts';

type Props = {
  readonly name: string;
  readonly label: string;
  readonly className?: string;
  readonly children?: ReactNode;
};

/** Yes or no. */
export const TickField = ({ name, label, className, children }: Props) => {
  const { input, error } = useField(name, label);
  return (
    <div className={className}>
      <label className="flex min-h-11 items-center gap-2">
        <input type="checkbox" className="size-5 shrink-0 accent-layout" {...input} />
        <span>{children ?? label}</span>
      </label>
      {error && (
        <p id={`${input.id}-error`} className="text-s font-semibold text-high">
          {error}
        </p>
      )}
    </div>
  );
};
