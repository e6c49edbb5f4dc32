import { endpoint } from '#server/http/endpoint.ts';
import { tellDevice } from '#server/services/devices.ts';
import { OPERATIONS } from '#wire/api.ts';

export const POST = endpoint(OPERATIONS.tellDevice, ({ body }) => tellDevice(body));
