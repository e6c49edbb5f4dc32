import { accepted } from '#core/result.ts';
import { endpoint } from '#server/http/endpoint.ts';
import { siteKeys } from '#server/sealing/key-file.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.siteKeys, () => accepted(siteKeys()));
