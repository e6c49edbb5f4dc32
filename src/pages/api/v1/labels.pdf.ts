import { accepted } from '#core/result.ts';
import { bytesResponse, endpoint } from '#server/http/endpoint.ts';
import { toolLabelsPdf } from '#server/services/tool-labels.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.toolLabels, async ({ context }) =>
  accepted(bytesResponse(await toolLabelsPdf(context.url.origin))),
);
