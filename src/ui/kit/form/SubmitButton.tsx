import type { ReactNode } from 'react';
import { useFormContext } from 'react-hook-form';
import { useListening } from './use-listening.ts';

type Props = {
  readonly children: ReactNode;
  readonly isHeld?: boolean;
  readonly className?: string;
};

/** Sends the form it stands in. Until the page listens it is off, so that Enter sends nothing by the browser's own way. */
export const SubmitButton = ({ children, isHeld = false, className = '' }: Props) => {
  const { formState } = useFormContext();
  const isListening = useListening();
  return (
    <button
      type="submit"
      className={`act min-h-14 self-end ${className}`}
      disabled={!isListening || isHeld || formState.isSubmitting}
    >
      {children}
    </button>
  );
};
