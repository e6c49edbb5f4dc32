import { accepted } from '#core/result.ts';
import { doors } from '#server/http/doors.ts';
import { bytesResponse, endpoint } from '#server/http/endpoint.ts';
import { toolLabelsPdf } from '#server/services/tool-labels.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.toolLabels, async () =>
  accepted(bytesResponse(await toolLabelsPdf(doors().origin))),
);
