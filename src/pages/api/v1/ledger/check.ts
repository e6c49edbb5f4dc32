import { accepted } from '#core/result.ts';
import { endpoint, linesResponse } from '#server/http/endpoint.ts';
import { ledgerChecked } from '#server/services/keeping.ts';
import { OPERATIONS } from '#wire/api.ts';

export const POST = endpoint(OPERATIONS.checkLedger, ({ by }) => {
  const lines = ledgerChecked(by);
  return lines.ok ? accepted(linesResponse(lines.value)) : lines;
});
