import { accepted } from '#core/result.ts';
import { bytesResponse, endpoint } from '#server/http/endpoint.ts';
import { valueInAddress } from '#server/services/changed-value.ts';
import { valueRecallPdf } from '#server/services/export-value-recall.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.valueRecallPdf, async ({ context }) => {
  const file = await valueRecallPdf(valueInAddress(context.params));
  return file.ok ? accepted(bytesResponse(file.value)) : file;
});
