import { accepted } from '#core/result.ts';
import { endpoint } from '#server/http/endpoint.ts';
import { addTool } from '#server/services/add-tool.ts';
import { cribTools } from '#server/services/tool-crib.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.listTools, async () => accepted(await cribTools()));
export const POST = endpoint(OPERATIONS.addTool, ({ body, by }) => addTool(body, by));
