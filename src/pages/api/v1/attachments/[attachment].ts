import { accepted } from '#core/result.ts';
import { endpoint, storedFile } from '#server/http/endpoint.ts';
import { attachedFile } from '#server/services/attached-file.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.attachment, async ({ context: { params, url } }) => {
  const form = (['small', 'original'] as const).find((each) => url.searchParams.has(each)) ?? 'shown';
  const file = await attachedFile(params['attachment'] ?? '', form);
  return file.ok ? accepted(storedFile(file.value)) : file;
});
