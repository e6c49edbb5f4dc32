import { endpoint } from '#server/http/endpoint.ts';
import { letTesterFeel } from '#server/services/bench-tester.ts';
import { OPERATIONS } from '#wire/api.ts';

export const POST = endpoint(OPERATIONS.testerPull, ({ body }) => letTesterFeel(body.torqueNewtonMetres));
