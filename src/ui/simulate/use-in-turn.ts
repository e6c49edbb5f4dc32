import { startTransition, useEffect, useState } from 'react';

/** A value as each of so many parts of a page has it by now: they get another one part a frame, so that no frame draws them all. */
export const useInTurn = <T>(value: T, parts: number): readonly T[] => {
  const [had, setHad] = useState<readonly T[]>(() => Array.from({ length: parts }, () => value));
  useEffect(() => {
    const next = had.findIndex((each) => each !== value);
    if (next < 0) return undefined;
    const asked = requestAnimationFrame(() =>
      startTransition(() => setHad(had.map((each, part) => (part === next ? value : each)))),
    );
    return () => cancelAnimationFrame(asked);
  }, [value, had]);
  return had;
};
