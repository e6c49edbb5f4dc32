import { endpoint } from '#server/http/endpoint.ts';
import { changeSource } from '#server/services/keep-source.ts';
import { OPERATIONS } from '#wire/api.ts';

export const PUT = endpoint(OPERATIONS.changeSource, ({ body, by, context }) =>
  changeSource({ ...body.source, id: context.params['source'] ?? '' }, body.why, by),
);
