import { accepted } from '#core/result.ts';
import { bytesResponse, endpoint } from '#server/http/endpoint.ts';
import { valueInAddress } from '#server/services/changed-value.ts';
import { valueRecallCsv } from '#server/services/export-value-recall.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.valueRecallCsv, async ({ context }) => {
  const file = await valueRecallCsv(valueInAddress(context.params));
  return file.ok ? accepted(bytesResponse(file.value)) : file;
});
