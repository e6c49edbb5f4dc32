import { type ProblemDetails, problemDetailsSchema } from '#wire/problems/details-shape.ts';
import { siteDetails } from '#wire/problems/site-details.ts';

/** Reads lines of JSON from an address as they come. Answers the problem that stopped it, or null at its end. */
export const readLines = async (
  address: string,
  signal: AbortSignal,
  onLine: (value: unknown) => void,
  method: 'GET' | 'POST' = 'GET',
): Promise<ProblemDetails | null> => {
  try {
    const response = await fetch(address, { signal, method });
    if (!response.ok || !response.body) {
      const problem = problemDetailsSchema.safeParse(await response.json());
      return problem.success ? problem.data : siteDetails({ code: 'no-connection' });
    }
    const reader = response.body.pipeThrough(new TextDecoderStream()).getReader();
    let rest = '';
    for (;;) {
      const { done, value } = await reader.read();
      const lines = (rest + (value ?? '')).split('\n');
      rest = lines.pop() ?? '';
      for (const line of lines) if (line !== '') onLine(JSON.parse(line));
      if (done) return null;
    }
  } catch {
    // Leaving the page stops the reading; that is no problem to show.
    return signal.aborted ? null : siteDetails({ code: 'no-connection' });
  }
};
