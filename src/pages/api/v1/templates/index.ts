import { accepted } from '#core/result.ts';
import { endpoint } from '#server/http/endpoint.ts';
import { allTemplates, keepTemplate } from '#server/services/templates.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.listTemplates, async () => accepted(await allTemplates()));
export const POST = endpoint(OPERATIONS.keepTemplate, ({ body, by }) => keepTemplate(body, by));
