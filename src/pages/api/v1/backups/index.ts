import { accepted } from '#core/result.ts';
import { endpoint, linesResponse } from '#server/http/endpoint.ts';
import { backUp, keptBackups } from '#server/services/backups.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.listBackups, () => accepted(keptBackups()));
export const POST = endpoint(OPERATIONS.backUp, ({ by }) => {
  const lines = backUp(by);
  return lines.ok ? accepted(linesResponse(lines.value)) : lines;
});
