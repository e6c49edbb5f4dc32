import { useEffect, useState } from 'react';
import { Dialog } from './Dialog.tsx';
import { isTyping } from './drawer-keys.ts';
import { SearchField } from './SearchField.tsx';
import { hitAddress } from './use-search.ts';

/** The search over everything, opened by `/` wherever one is. */
export const SearchEverything = () => {
  const [isOpen, setOpen] = useState(false);
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (event.key !== '/' || isTyping(event) || event.ctrlKey || event.metaKey || event.altKey) return;
      if (document.querySelector('[role=dialog]')) return;
      event.preventDefault();
      setOpen(true);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
  return (
    isOpen && (
      <Dialog title="Search" onClose={() => setOpen(false)}>
        <SearchField
          label="Search everything"
          placeholder="part, size, source, tool, job: flare -6, M4, #10, TS-07 …"
          onOpen={(hit) => window.location.assign(hitAddress(hit))}
        />
        <p className="mt-3 text-s text-faint">
          Sizes may be written any way: M8, m 8, 8 mm; #10, 10 AWG; -6, dash 6, 3/8. Enter opens, Esc closes.
        </p>
      </Dialog>
    )
  );
};
