import { useCallback, useEffect, useRef, useState } from 'react';
import { keptDraft } from './kept-draft.ts';

/** A change of a draft: the next one, or how it follows from the one there is by then. */
export type DraftChange<T> = T | ((before: T) => T);

/** A draft that is no form of fields but a list in the making (lines, cells, readings): it outlives an error, a reload and a sign-in until `forget` is called.
 *  `revive` turns what was kept back into a value, or null when it can't. Two changes in one moment are both made; one made before the page listened comes on
 *  top of what was kept. */
export const useKeptDraft = <T extends object>(
  key: string,
  empty: T,
  revive: (kept: unknown) => T | null,
): readonly [T, (change: DraftChange<T>) => void, () => void] => {
  const [value, setValue] = useState(empty);
  const latest = useRef(value);
  const put = useCallback((next: T): void => {
    latest.current = next;
    setValue(next);
  }, []);
  const opened = useRef<string | null>(null);
  const open = (): void => {
    if (opened.current === key) return;
    opened.current = key;
    const revived = revive(keptDraft(key).read());
    if (revived !== null) put(revived);
  };
  const openOnce = useRef(open);
  openOnce.current = open;
  // biome-ignore lint/correctness/useExhaustiveDependencies: kept text is read once, when the form opens
  useEffect(open, [key]);
  const change = useCallback(
    (next: DraftChange<T>): void => {
      openOnce.current();
      put(typeof next === 'function' ? next(latest.current) : next);
      keptDraft(key).keep(latest.current);
    },
    [key, put],
  );
  const forget = useCallback((): void => keptDraft(key).forget(), [key]);
  return [value, change, forget];
};
