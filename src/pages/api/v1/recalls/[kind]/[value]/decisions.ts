import { endpoint } from '#server/http/endpoint.ts';
import { valueInAddress } from '#server/services/changed-value.ts';
import { decideValueRecall } from '#server/services/recall-value.ts';
import { OPERATIONS } from '#wire/api.ts';

export const POST = endpoint(OPERATIONS.decideValueRecall, ({ body, by, context }) =>
  decideValueRecall(valueInAddress(context.params), body, by),
);
