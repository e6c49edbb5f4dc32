import { contactOf, endpoint } from '#server/http/endpoint.ts';
import { openTemplate } from '#server/services/templates.ts';
import { OPERATIONS } from '#wire/api.ts';

export const POST = endpoint(OPERATIONS.openTemplate, ({ body, by, context }) => {
  const contact = contactOf(context, {});
  return openTemplate(context.params['template'] ?? '', body, by, () => contact);
});
