import { accepted } from '#core/result.ts';
import { endpoint } from '#server/http/endpoint.ts';
import { bookConflicts, decideConflict } from '#server/services/book-conflicts.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.conflicts, async () => accepted(await bookConflicts()));
export const POST = endpoint(OPERATIONS.decideConflict, ({ body, by }) => decideConflict(body, by));
