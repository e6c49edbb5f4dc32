import { accepted } from '#core/result.ts';
import { endpoint } from '#server/http/endpoint.ts';
import { changeSite } from '#server/services/change-site.ts';
import { siteChoices } from '#server/services/read-site.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.site, async () => accepted(await siteChoices()));
export const PUT = endpoint(OPERATIONS.changeSite, ({ body, by }) => changeSite(body.site, body.why, by));
