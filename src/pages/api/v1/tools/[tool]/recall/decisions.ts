import { endpoint } from '#server/http/endpoint.ts';
import { decideRecall } from '#server/services/recall-tool.ts';
import { OPERATIONS } from '#wire/api.ts';

export const POST = endpoint(OPERATIONS.decideRecall, ({ body, by, context }) =>
  decideRecall(context.params['tool'] ?? '', body, by),
);
