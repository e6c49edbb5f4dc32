import { useLayoutEffect } from 'react';
import { useStore } from 'zustand';
import { boardStore, type Laying } from '#client/layout/board-store.ts';

/** What is laid out on this browser, and whether there is a step to undo or to do again. */
export const useLaying = (): Laying & { readonly canUndo: boolean; readonly canRedo: boolean } => {
  const laying = useStore(boardStore);
  const past = useStore(boardStore.temporal, ({ pastStates }) => pastStates.length);
  const future = useStore(boardStore.temporal, ({ futureStates }) => futureStates.length);
  // Before anything else acts: what a hand put in while the page woke up comes on top of what was kept, and never in its place.
  useLayoutEffect(() => {
    void boardStore.persist.rehydrate();
    // What was kept is where one begins, not a step that could be undone.
    boardStore.temporal.getState().clear();
    // What another tab lays out is taken over here: else the one that is touched last would put its own in the place of both.
    const onKept = ({ key }: StorageEvent): void => {
      if (key === boardStore.persist.getOptions().name) void boardStore.persist.rehydrate();
    };
    window.addEventListener('storage', onKept);
    return () => window.removeEventListener('storage', onKept);
  }, []);
  return { ...laying, canUndo: past > 0, canRedo: future > 0 };
};
