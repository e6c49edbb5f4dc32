import { Dialog as Radix } from 'radix-ui';
import type { ReactNode } from 'react';

type Props = {
  readonly title: string;
  readonly onClose: () => void;
  readonly children: ReactNode;
};

/** A sheet over the page that holds the focus until it is closed; Escape closes it. */
export const Dialog = ({ title, onClose, children }: Props) => (
  <Radix.Root open onOpenChange={(isOpen) => isOpen || onClose()}>
    <Radix.Portal>
      <Radix.Overlay className="fixed inset-0 z-30 bg-black/50" />
      <Radix.Content
        aria-describedby={undefined}
        className="fixed inset-x-3 top-1/2 z-40 mx-auto max-h-[92dvh] max-w-xl -translate-y-1/2 overflow-y-auto rounded-lg border border-rule bg-sheet p-5 text-ink"
      >
        <Radix.Title className="mb-3 text-xl font-bold">{title}</Radix.Title>
        {children}
      </Radix.Content>
    </Radix.Portal>
  </Radix.Root>
);
