import { useCallback, useEffect, useState } from 'react';

/** State that outlives an error, a reload and a sign-in: what is typed is kept in this browser until `forget` is called.
 *  `revive` turns what was kept back into a value, or null when it can't. */
export const useKeptDraft = <T>(
  key: string,
  empty: T,
  revive: (kept: unknown) => T | null,
): readonly [T, (value: T) => void, () => void] => {
  const [value, setValue] = useState(empty);
  // biome-ignore lint/correctness/useExhaustiveDependencies: kept text is read once, when the form opens
  useEffect(() => {
    const kept = localStorage.getItem(key);
    if (kept === null) return;
    try {
      const revived = revive(JSON.parse(kept));
      if (revived !== null) setValue(revived);
    } catch {
      localStorage.removeItem(key);
    }
  }, [key]);
  const change = useCallback(
    (next: T): void => {
      setValue(next);
      localStorage.setItem(key, JSON.stringify(next));
    },
    [key],
  );
  const forget = useCallback((): void => localStorage.removeItem(key), [key]);
  return [value, change, forget];
};
