import { accepted } from '#core/result.ts';
import { bytesResponse, endpoint } from '#server/http/endpoint.ts';
import { attachedFile } from '#server/services/attach-file.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.attachment, async ({ context }) => {
  const isSmall = context.url.searchParams.has('small');
  const file = await attachedFile(context.params['attachment'] ?? '', isSmall);
  return file.ok ? accepted(bytesResponse({ ...file.value, isShown: true })) : file;
});
