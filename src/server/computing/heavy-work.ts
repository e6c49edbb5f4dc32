import type { z } from 'zod';
import type { Result } from '#core/result.ts';
import type { lookUpRequest, readLabelRequest } from '#wire/api-book.ts';
import type { simulateRequest } from '#wire/compute-plan.ts';
import type { Problem } from '#wire/problems/problem.ts';
import { passivePdf } from '../files/pdf.ts';
import { labelTable, lookUpTable } from '../services/compute.ts';
import { simulate } from '../services/compute-plan.ts';

/** What takes long enough to hold up everybody else: a label of a thousand lines is most of a second. It runs in a thread of its own. */
export type HeavyWork =
  | { readonly kind: 'read-label'; readonly body: z.output<typeof readLabelRequest> }
  | { readonly kind: 'look-up'; readonly body: z.output<typeof lookUpRequest> }
  | { readonly kind: 'read-pdf'; readonly body: Uint8Array }
  | { readonly kind: 'simulate'; readonly body: z.output<typeof simulateRequest> };

/** Does it, in whatever thread it is called. */
const doWork = (work: HeavyWork): Result<unknown, Problem> | Promise<Result<unknown, Problem>> => {
  switch (work.kind) {
    case 'read-label':
      return labelTable(work.body);
    case 'look-up':
      return lookUpTable(work.body);
    case 'read-pdf':
      return passivePdf(work.body);
    case 'simulate':
      return simulate(work.body);
  }
};

export default doWork;
