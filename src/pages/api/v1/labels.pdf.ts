import { accepted } from '#core/result.ts';
import { bytesResponse, endpoint } from '#server/http/endpoint.ts';
import { siteAddress } from '#server/http/site-address.ts';
import { toolLabelsPdf } from '#server/services/tool-labels.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.toolLabels, async ({ context }) =>
  accepted(bytesResponse(await toolLabelsPdf(siteAddress(context.request)))),
);
