import { type ReactNode, useEffect, useState } from 'react';

type Props = {
  readonly className?: string;
  readonly onSubmit: () => void;
  readonly children: ReactNode;
};

/** A form that takes nothing until the page listens: what one types into a page that is still waking up would be lost. */
export const ReadyForm = ({ className, onSubmit, children }: Props) => {
  const [isReady, setReady] = useState(false);
  useEffect(() => setReady(true), []);
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        onSubmit();
      }}
    >
      <fieldset disabled={!isReady} className={`m-0 min-w-0 border-0 p-0 ${className ?? ''}`}>
        {children}
      </fieldset>
    </form>
  );
};
