import { lazy, Suspense, useSyncExternalStore } from 'react';
import { closeSearch, searchAsked, takeTypedAhead } from './search-asked.ts';

// Loaded when it is opened: no page needs it to be worked.
const SearchDialog = lazy(() =>
  import('./SearchDialog.tsx').then(({ SearchDialog: dialog }) => ({ default: dialog })),
);

const isOpenNow = (): boolean => searchAsked.snapshot().isOpen;

/** The search over everything, once it was asked for (search-asked): by the button in the rail and in the bar of a phone, or by `/` wherever one is. */
export const SearchEverything = () => {
  const isOpen = useSyncExternalStore(searchAsked.subscribe, isOpenNow, () => false);
  return (
    isOpen && (
      <Suspense fallback={null}>
        <SearchDialog takeTypedAhead={takeTypedAhead} onClose={closeSearch} />
      </Suspense>
    )
  );
};
