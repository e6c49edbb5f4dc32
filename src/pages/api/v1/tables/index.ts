import { accepted } from '#core/result.ts';
import { endpoint } from '#server/http/endpoint.ts';
import { keepTable } from '#server/services/keep-table.ts';
import { allTables } from '#server/services/read-book.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.listTables, async () => accepted(await allTables()));
export const POST = endpoint(OPERATIONS.keepTable, ({ body, by }) => keepTable(body, by));
