import { useSyncExternalStore } from 'react';

const neverChanges = () => () => {};

/** Whether the page listens: false on the server and while it wakes up, true from the first moment of whatever appears later. */
export const useListening = (): boolean =>
  useSyncExternalStore(
    neverChanges,
    () => true,
    () => false,
  );
