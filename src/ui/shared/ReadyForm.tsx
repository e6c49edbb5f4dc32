import { type ReactNode, useSyncExternalStore } from 'react';

type Props = {
  readonly className?: string;
  readonly onSubmit: () => void;
  readonly children: ReactNode;
};

const neverChanges = () => () => {};

/** Whether the page listens: false on the server and while it wakes up, true from the first moment of whatever appears later. */
const useListening = (): boolean =>
  useSyncExternalStore(
    neverChanges,
    () => true,
    () => false,
  );

/** A form that takes nothing until the page listens: what one types into a page that is still waking up would be lost. */
export const ReadyForm = ({ className, onSubmit, children }: Props) => (
  <form
    onSubmit={(event) => {
      event.preventDefault();
      onSubmit();
    }}
  >
    <fieldset disabled={!useListening()} className={`m-0 min-w-0 border-0 p-0 ${className ?? ''}`}>
      {children}
    </fieldset>
  </form>
);
