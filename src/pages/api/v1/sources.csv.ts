import { accepted } from '#core/result.ts';
import { endpoint, fileResponse } from '#server/http/endpoint.ts';
import { sourcesCsv } from '#server/services/export-book.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.exportSources, async () => accepted(fileResponse(await sourcesCsv())));
