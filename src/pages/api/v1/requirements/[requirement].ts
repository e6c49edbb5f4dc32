import { endpoint } from '#server/http/endpoint.ts';
import { readBookRequirement } from '#server/services/read-book.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.requirement, ({ context }) =>
  readBookRequirement(context.params['requirement'] ?? ''),
);
