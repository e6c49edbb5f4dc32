import { accepted } from '#core/result.ts';
import { bytesResponse, endpoint } from '#server/http/endpoint.ts';
import { siteAddress } from '#server/http/site-address.ts';
import { templateLabelSvg } from '#server/services/template-label.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.templateLabel, async ({ context }) => {
  const file = await templateLabelSvg(context.params['template'] ?? '', siteAddress(context.request));
  return file.ok ? accepted(bytesResponse({ ...file.value, isShown: true })) : file;
});
