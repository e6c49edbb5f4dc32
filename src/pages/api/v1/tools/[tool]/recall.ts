import { accepted } from '#core/result.ts';
import { endpoint, linesResponse } from '#server/http/endpoint.ts';
import { foundOut, recallOf } from '#server/services/recall-tool.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.recall, async ({ context }) => {
  const tool = context.params['tool'] ?? '';
  const found = await foundOut(tool);
  return found.ok ? accepted(linesResponse(recallOf(found.value, tool))) : found;
});
