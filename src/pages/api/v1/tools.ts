import { accepted } from '#core/result.ts';
import { endpoint } from '#server/http/endpoint.ts';
import { addTool } from '#server/services/add-tool.ts';
import { toolCrib } from '#server/services/read-site.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.listTools, async () => accepted(await toolCrib()));
export const POST = endpoint(OPERATIONS.addTool, ({ body, by }) => addTool(body, by));
