import { endpoint } from '#server/http/endpoint.ts';
import { reportTool } from '#server/services/report-tool.ts';
import { OPERATIONS } from '#wire/api.ts';

export const POST = endpoint(OPERATIONS.reportTool, ({ body, by, context }) =>
  reportTool(context.params['tool'] ?? '', body, by),
);
