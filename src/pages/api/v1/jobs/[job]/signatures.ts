import { endpoint } from '#server/http/endpoint.ts';
import { signJob } from '#server/services/sign-job.ts';
import { OPERATIONS } from '#wire/api.ts';

export const POST = endpoint(OPERATIONS.signJob, ({ body, context }) =>
  signJob(context.params['job'] ?? '', body, context.locals.knock),
);
