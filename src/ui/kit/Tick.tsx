import type { ReactNode } from 'react';

type Props = {
  readonly isOn: boolean;
  readonly onChange: (isOn: boolean) => void;
  readonly className?: string;
  readonly children: ReactNode;
};

/** A tick that acts at once, outside a form; within one, see TickField. */
export const Tick = ({ isOn, onChange, className = '', children }: Props) => (
  <label className={`flex min-h-11 items-center gap-2 ${className}`}>
    <input
      type="checkbox"
      className="size-5 shrink-0 accent-layout"
      checked={isOn}
      onChange={(event) => onChange(event.target.checked)}
    />
    {children}
  </label>
);
