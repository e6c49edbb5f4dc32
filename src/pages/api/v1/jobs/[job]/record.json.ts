import { accepted } from '#core/result.ts';
import { endpoint, fileResponse } from '#server/http/endpoint.ts';
import { exportRecord } from '#server/services/export-record.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.exportRecord, async ({ context }) => {
  const file = await exportRecord(context.params['job'] ?? '');
  return file.ok ? accepted(fileResponse(file.value)) : file;
});
