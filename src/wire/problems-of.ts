import { z } from 'zod';
import type { OPERATIONS } from './api.ts';
import type { Operation } from './operation.ts';
import { OPERATION_PROBLEMS } from './operation-problems.ts';
import type { ProblemCode } from './problems/problem.ts';

/** What any request can be answered before its operation is asked, and what the site itself can run into. */
const ALWAYS: readonly ProblemCode[] = [
  'wrong-host',
  'not-found',
  'token-unknown',
  'job-busy',
  'database-away',
  'fault',
];

/** Every problem that an operation can answer: of its service, of its door, and of what carries both. */
export const problemsOf = (name: keyof typeof OPERATIONS, operation: Operation): readonly ProblemCode[] => {
  const { method, path, who, request } = operation;
  const isCalculation = path.startsWith('/api/v1/compute/');
  const hasBody = !(request instanceof z.ZodUndefined);
  const codes = new Set<ProblemCode>([
    ...OPERATION_PROBLEMS[name],
    ...ALWAYS,
    ...(method === 'GET' ? [] : (['wrong-origin'] as const)),
    ...(hasBody ? (['wrong-content-type', 'body-too-large', 'body-invalid'] as const) : []),
    ...(who === 'anyone' ? [] : (['not-signed-in', 'role-may-not', 'token-may-not'] as const)),
    // Work that is open to everybody is so only where it is little, and comes out only where its numbers can be said.
    ...(isCalculation ? (['not-signed-in', 'result-out-of-bounds'] as const) : []),
  ]);
  return [...codes].sort();
};
