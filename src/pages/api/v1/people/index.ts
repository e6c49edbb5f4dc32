import { accepted } from '#core/result.ts';
import { endpoint } from '#server/http/endpoint.ts';
import { addFirstPerson, addPerson } from '#server/services/add-person.ts';
import { everyone } from '#server/services/read-site.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.listPeople, async () => accepted(await everyone()));
export const POST = endpoint(OPERATIONS.addPerson, ({ body, by }) =>
  by ? addPerson(body, by) : addFirstPerson(body),
);
