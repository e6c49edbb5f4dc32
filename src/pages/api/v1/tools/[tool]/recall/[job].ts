import { endpoint } from '#server/http/endpoint.ts';
import { recalledWork } from '#server/services/recall-tool.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.recalledWork, ({ context: { params } }) =>
  recalledWork(params['tool'] ?? '', params['job'] ?? ''),
);
