import { accepted } from '#core/result.ts';
import { endpoint } from '#server/http/endpoint.ts';
import { members } from '#server/services/members.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.members, async () => accepted(await members()));
