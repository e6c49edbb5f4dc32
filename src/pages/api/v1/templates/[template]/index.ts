import { endpoint } from '#server/http/endpoint.ts';
import { templateNow } from '#server/services/templates.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.template, ({ context }) =>
  templateNow(context.params['template'] ?? ''),
);
