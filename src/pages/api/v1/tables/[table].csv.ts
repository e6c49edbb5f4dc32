import { accepted } from '#core/result.ts';
import { endpoint, fileResponse } from '#server/http/endpoint.ts';
import { tableCsv } from '#server/services/export-book.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.exportTable, async ({ context }) => {
  const file = await tableCsv(context.params['table'] ?? '');
  return file.ok ? accepted(fileResponse(file.value)) : file;
});
