import { accepted } from '#core/result.ts';
import { endpoint, linesResponse } from '#server/http/endpoint.ts';
import { valueInAddress, valueNowAt } from '#server/services/changed-value.ts';
import { valueRecallOf } from '#server/services/recall-value.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.valueRecall, async ({ context }) => {
  const now = await valueNowAt(valueInAddress(context.params));
  return now.ok ? accepted(linesResponse(valueRecallOf(now.value))) : now;
});
