import { accepted } from '#core/result.ts';
import { doors } from '#server/http/doors.ts';
import { bytesResponse, endpoint } from '#server/http/endpoint.ts';
import { toolLabelSvg } from '#server/services/tool-labels.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.toolLabel, async ({ context }) => {
  const file = await toolLabelSvg(context.params['tool'] ?? '', doors().origin);
  return file.ok ? accepted(bytesResponse({ ...file.value, isShown: true })) : file;
});
