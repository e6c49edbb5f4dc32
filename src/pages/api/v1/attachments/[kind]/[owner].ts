import { refused } from '#core/result.ts';
import { endpoint } from '#server/http/endpoint.ts';
import { attachFile } from '#server/services/attach-file.ts';
import { OPERATIONS } from '#wire/api.ts';

const KINDS = ['source', 'tool', 'session', 'job'] as const;

export const POST = endpoint(OPERATIONS.addAttachment, async ({ body, by, context: { params } }) => {
  const kind = KINDS.find((each) => each === params['kind']);
  if (!kind) return refused({ code: 'not-found', what: 'address' });
  return attachFile({ kind, id: params['owner'] ?? '' }, body, by);
});
