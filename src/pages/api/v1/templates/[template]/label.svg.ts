import { accepted } from '#core/result.ts';
import { doors } from '#server/http/doors.ts';
import { bytesResponse, endpoint } from '#server/http/endpoint.ts';
import { templateLabelSvg } from '#server/services/template-label.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.templateLabel, async ({ context }) => {
  const file = await templateLabelSvg(context.params['template'] ?? '', doors().origin);
  return file.ok ? accepted(bytesResponse({ ...file.value, isShown: true })) : file;
});
