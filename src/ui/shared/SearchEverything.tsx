import Search from 'lucide-react/icons/search';
import { lazy, Suspense, useEffect, useRef, useState } from 'react';
import { isTyping } from './drawer-keys.ts';

// Loaded when it is opened: no page needs it to be worked.
const SearchDialog = lazy(() =>
  import('./SearchDialog.tsx').then(({ SearchDialog: dialog }) => ({ default: dialog })),
);

/** The way to the search over everything: a button in the rail and in the bar of a phone, and `/` wherever one is. */
export const SearchEverything = () => {
  const [isOpen, setOpen] = useState(false);
  // Nobody waits for a sheet to load before they type: until its field has the focus, what is typed is kept for it and means nothing to the page below.
  const typedAhead = useRef<string | null>(null);
  const open = (): void => {
    typedAhead.current = '';
    setOpen(true);
  };
  const takeTypedAhead = (): string => {
    const typed = typedAhead.current ?? '';
    typedAhead.current = null;
    return typed;
  };
  const close = (): void => {
    typedAhead.current = null;
    setOpen(false);
  };
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (isTyping(event) || event.ctrlKey || event.metaKey || event.altKey) return;
      if (typedAhead.current !== null) {
        if (event.key.length !== 1) return;
        typedAhead.current += event.key;
      } else {
        if (event.key !== '/' || document.querySelector('[role=dialog]')) return;
        typedAhead.current = '';
        setOpen(true);
      }
      event.preventDefault();
      event.stopImmediatePropagation();
    };
    window.addEventListener('keydown', onKey, true);
    return () => window.removeEventListener('keydown', onKey, true);
  }, []);
  return (
    <>
      <button
        type="button"
        className="flex min-h-14 w-full flex-col items-center justify-center gap-0.5 text-s text-ink sm:flex-row sm:justify-start sm:gap-1.5 sm:px-4 sm:text-m"
        onClick={open}
      >
        <Search size={20} aria-hidden="true" className="sm:hidden" /> Search{' '}
        <span className="text-faint max-sm:hidden">/</span>
      </button>
      {isOpen && (
        <Suspense fallback={null}>
          <SearchDialog takeTypedAhead={takeTypedAhead} onClose={close} />
        </Suspense>
      )}
    </>
  );
};
