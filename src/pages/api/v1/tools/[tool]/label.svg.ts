import { accepted } from '#core/result.ts';
import { bytesResponse, endpoint } from '#server/http/endpoint.ts';
import { siteAddress } from '#server/http/site-address.ts';
import { toolLabelSvg } from '#server/services/tool-labels.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.toolLabel, async ({ context }) => {
  const file = await toolLabelSvg(context.params['tool'] ?? '', siteAddress(context.request));
  return file.ok ? accepted(bytesResponse({ ...file.value, isShown: true })) : file;
});
