import { accepted } from '#core/result.ts';
import { bytesResponse, endpoint } from '#server/http/endpoint.ts';
import { recallCsv } from '#server/services/export-recall.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.recallCsv, async ({ context }) => {
  const file = await recallCsv(context.params['tool'] ?? '');
  return file.ok ? accepted(bytesResponse(file.value)) : file;
});
