import { accepted } from '#core/result.ts';
import { bytesResponse, endpoint } from '#server/http/endpoint.ts';
import { recallPdf } from '#server/services/export-recall.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.recallPdf, async ({ context }) => {
  const file = await recallPdf(context.params['tool'] ?? '');
  return file.ok ? accepted(bytesResponse(file.value)) : file;
});
