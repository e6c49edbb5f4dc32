import { endpoint } from '#server/http/endpoint.ts';
import { readTool } from '#server/services/read-tool.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.tool, ({ context }) => readTool(context.params['tool'] ?? ''));
