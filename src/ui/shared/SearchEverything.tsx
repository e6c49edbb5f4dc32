import Search from 'lucide-react/icons/search';
import { lazy, Suspense, useSyncExternalStore } from 'react';
import { closeSearch, openSearch, searchAsked, takeTypedAhead } from './search-keys.ts';

// Loaded when it is opened: no page needs it to be worked.
const SearchDialog = lazy(() =>
  import('./SearchDialog.tsx').then(({ SearchDialog: dialog }) => ({ default: dialog })),
);

const isOpenNow = (): boolean => searchAsked.snapshot().isOpen;

/** The way to the search over everything: a button in the rail and in the bar of a phone, and `/` wherever one is. */
export const SearchEverything = () => {
  const isOpen = useSyncExternalStore(searchAsked.subscribe, isOpenNow, () => false);
  return (
    <>
      <button
        type="button"
        className="flex min-h-14 w-full flex-col items-center justify-center gap-0.5 text-s text-ink sm:flex-row sm:justify-start sm:gap-1.5 sm:px-4 sm:text-m"
        onClick={openSearch}
      >
        <Search size={20} aria-hidden="true" className="sm:hidden" /> Search{' '}
        <span className="text-faint max-sm:hidden">/</span>
      </button>
      {isOpen && (
        <Suspense fallback={null}>
          <SearchDialog takeTypedAhead={takeTypedAhead} onClose={closeSearch} />
        </Suspense>
      )}
    </>
  );
};
