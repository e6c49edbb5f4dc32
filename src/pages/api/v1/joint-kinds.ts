import { accepted } from '#core/result.ts';
import { endpoint } from '#server/http/endpoint.ts';
import { ownKinds, writeJointKind } from '#server/services/joint-kinds.ts';
import { OPERATIONS } from '#wire/api.ts';

export const GET = endpoint(OPERATIONS.listOwnKinds, async () => accepted(await ownKinds()));
export const POST = endpoint(OPERATIONS.writeJointKind, ({ body, by }) =>
  writeJointKind(body.kind, body.basedOn, by),
);
