import type { ReactNode } from 'react';
import { useTypedAhead } from './form/use-typed-ahead.ts';

type Props = {
  readonly isOn: boolean;
  readonly onChange: (isOn: boolean) => void;
  readonly className?: string;
  readonly children: ReactNode;
};

/** A tick that acts at once, outside a form; within one, see TickField. */
export const Tick = ({ isOn, onChange, className = '', children }: Props) => {
  const ahead = useTypedAhead(isOn, ({ checked }) => onChange(checked));
  return (
    <label className={`flex min-h-11 items-center gap-2 ${className}`}>
      <input
        ref={ahead}
        type="checkbox"
        className="size-5 shrink-0 accent-layout"
        checked={isOn}
        onChange={(event) => onChange(event.target.checked)}
      />
      {children}
    </label>
  );
};
