import { useRef, useState } from 'react';
import { readLines } from '#client/read-lines.ts';
import type { ProblemDetails } from '#wire/problems/details-shape.ts';

/** How far a long piece of work is. */
export type Progress = { readonly done: number; readonly total: number };

type Line = { readonly kind: string } & Partial<Progress>;

/** Long work of the server that tells how far it is as lines of JSON, begun by a person. `onLine` hears everything but progress. */
export const useLines = <T extends Line>(address: string, onLine: (line: T) => void) => {
  const [progress, setProgress] = useState<Progress | null>(null);
  const [problem, setProblem] = useState<ProblemDetails | null>(null);
  const abort = useRef<AbortController | null>(null);
  const start = async (): Promise<void> => {
    abort.current = new AbortController();
    setProblem(null);
    setProgress({ done: 0, total: 1 });
    const stopped = await readLines(
      address,
      abort.current.signal,
      (value) => {
        const line = value as T;
        if (line.kind === 'progress') setProgress({ done: line.done ?? 0, total: line.total ?? 1 });
        else onLine(line);
      },
      'POST',
    );
    setProblem(stopped);
    setProgress(null);
  };
  return { progress, problem, start };
};
