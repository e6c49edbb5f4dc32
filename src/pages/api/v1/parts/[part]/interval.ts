import { endpoint } from '#server/http/endpoint.ts';
import { setMachineInterval } from '#server/services/intervals.ts';
import { OPERATIONS } from '#wire/api.ts';

export const PUT = endpoint(OPERATIONS.setInterval, ({ body, by, context }) =>
  setMachineInterval(context.params['part'] ?? '', body.days, by),
);
