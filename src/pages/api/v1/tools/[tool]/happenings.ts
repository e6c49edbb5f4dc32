import { endpoint } from '#server/http/endpoint.ts';
import { toolHappened } from '#server/services/tool-happened.ts';
import { OPERATIONS } from '#wire/api.ts';

export const POST = endpoint(OPERATIONS.toolHappened, ({ body, by, context }) =>
  toolHappened(context.params['tool'] ?? '', body, by),
);
