import { endpoint } from '#server/http/endpoint.ts';
import { moveDevice } from '#server/services/devices.ts';
import { OPERATIONS } from '#wire/api.ts';

export const POST = endpoint(OPERATIONS.moveDevice, ({ body }) => moveDevice(body));
