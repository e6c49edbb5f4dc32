import type { z } from 'zod';
import type { DeepReadonly, Operation } from '#wire/operation.ts';
import { type ProblemDetails, problemDetailsSchema } from '#wire/problems/details-shape.ts';
import { type SiteProblem, siteDetails } from '#wire/problems/site-details.ts';
import { noteSiteTime } from './device/clock.ts';
import { noteSiteLife } from './device/site-life.ts';

/** What the server answered, or why it did not do it. */
export type Answer<T> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly problem: ProblemDetails };

const TIMEOUT_MS = 20_000;

const failed = (problem: SiteProblem): { readonly ok: false; readonly problem: ProblemDetails } => ({
  ok: false,
  problem: siteDetails(problem),
});

const addressOf = (template: string, params: Readonly<Record<string, string>>): string => {
  const query = new URLSearchParams(params);
  const path = template.replace(/\{(\w+)\}/g, (_, name: string) => {
    query.delete(name);
    return encodeURIComponent(params[name] ?? '');
  });
  return query.size > 0 ? `${path}?${query}` : path;
};

/** Calls an operation. `params` fill the `{name}`s of its path, the others become its query. Never throws for what a network or a server can do. */
export const call = async <O extends Operation>(
  operation: O,
  body: DeepReadonly<z.input<O['request']>>,
  params: Readonly<Record<string, string>> = {},
): Promise<Answer<z.output<O['response']>>> => {
  const path = addressOf(operation.path, params);
  let response: Response;
  let answer: unknown;
  try {
    response = await fetch(path, {
      method: operation.method,
      signal: AbortSignal.timeout(TIMEOUT_MS),
      ...(body === undefined
        ? {}
        : { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }),
    });
    noteSiteTime(response.headers.get('date'));
    noteSiteLife(response.headers.get('jentik-life'));
    answer = await response.json();
  } catch {
    return failed({ code: 'no-connection' });
  }
  if (response.ok) {
    const value = operation.response.safeParse(answer);
    return value.success
      ? { ok: true, value: value.data as z.output<O['response']> }
      : failed({ code: 'answer-misshaped' });
  }
  const problem = problemDetailsSchema.safeParse(answer);
  return problem.success ? { ok: false, problem: problem.data } : failed({ code: 'no-connection' });
};
