import X from 'lucide-react/icons/x';
import { Dialog as Radix } from 'radix-ui';
import type { ReactNode } from 'react';

type Props = {
  readonly title: string;
  /** Whether the focus goes to the sheet and not to its first control: then no pulse of a pedal that came by itself answers it. */
  readonly isHeld?: boolean;
  readonly onClose: () => void;
  readonly children: ReactNode;
};

/** A sheet over the page that holds the focus until it is closed, by Escape, a tap beside it, or its cross, which comes last for the keys. */
export const Dialog = ({ title, isHeld = false, onClose, children }: Props) => (
  <Radix.Root open onOpenChange={(isOpen) => isOpen || onClose()}>
    <Radix.Portal>
      <Radix.Overlay className="fixed inset-0 z-30 bg-black/50" />
      <Radix.Content
        aria-describedby={undefined}
        onOpenAutoFocus={(event) => {
          if (!isHeld || !(event.currentTarget instanceof HTMLElement)) return;
          event.preventDefault();
          event.currentTarget.focus();
        }}
        className="fixed inset-x-3 top-1/2 z-40 mx-auto max-h-[92dvh] max-w-xl -translate-y-1/2 overflow-y-auto rounded-lg border border-rule bg-sheet p-5 text-ink focus:outline-none"
      >
        <Radix.Title className="mr-12 mb-3 text-xl font-bold">{title}</Radix.Title>
        {children}
        <Radix.Close
          aria-label="Close"
          className="absolute top-2 right-2 grid size-12 place-items-center rounded-md text-faint hover:text-ink"
        >
          <X aria-hidden="true" />
        </Radix.Close>
      </Radix.Content>
    </Radix.Portal>
  </Radix.Root>
);
