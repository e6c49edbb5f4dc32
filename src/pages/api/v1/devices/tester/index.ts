import { accepted } from '#core/result.ts';
import { endpoint, eventsResponse } from '#server/http/endpoint.ts';
import { testerReadings } from '#server/services/bench-tester.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.testerReadings, () => {
  const readings = testerReadings();
  return readings.ok ? accepted(eventsResponse(readings.value)) : readings;
});
