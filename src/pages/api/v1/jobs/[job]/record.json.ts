import { accepted } from '#core/result.ts';
import { endpoint, fileResponse } from '#server/http/endpoint.ts';
import { exportRecord } from '#server/services/export-record.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.exportRecord, async ({ context, by }) => {
  const file = await exportRecord(context.params['job'] ?? '', by);
  return file.ok ? accepted(fileResponse(file.value)) : file;
});
