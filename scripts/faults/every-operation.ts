import { z } from 'zod';
import { OPERATIONS } from '#wire/api.ts';
import type { Operation } from '#wire/operation.ts';
import type { Random } from '../campaign/seeded.ts';
import { SPENT } from '../campaign/spent.ts';
import { ask } from '../fuzz/ask.ts';
import { fromSchema, type Schema } from '../fuzz/from-schema.ts';
import { idIn, knownIds, knownOf } from '../fuzz/known-site.ts';
import type { SiteClient } from '../load/site-client.ts';
import { type FaultProxy, NETWORK_FAULTS } from './fault-proxy.ts';

/** Asks every operation through a spoilt connection and then again, as a program does whose answer was lost: the second time it is answered, and never by a fault of
 *  the site's. Operations are read from where they are defined. Answers how many were asked, and what went wrong. */
export const spoilEveryOperation = async (
  proxy: FaultProxy,
  client: SiteClient,
  faultsEach: number,
  random: Random,
): Promise<{ readonly asked: number; readonly problems: readonly string[] }> => {
  const ids = await knownIds(client);
  const problems: string[] = [];
  let asked = 0;
  for (const [id, operation] of Object.entries<Operation>(OPERATIONS)) {
    if (SPENT.has(id)) continue;
    for (let count = 0; count < faultsEach; count += 1) {
      const { method, request } = operation;
      const path = operation.path.replace(/\{(\w+)\}/g, (_, name: string) =>
        encodeURIComponent(idIn(name, ids, random)),
      );
      const schema = z.toJSONSchema(request, { io: 'input', unrepresentable: 'any' }) as Schema;
      const hasBody = !(request instanceof z.ZodUndefined);
      const body = hasBody ? Buffer.from(JSON.stringify(fromSchema(schema, random, knownOf(ids)))) : null;
      const headers = { cookie: client.cookie, ...(hasBody ? { 'content-type': 'application/json' } : {}) };
      const fault = random.pick(NETWORK_FAULTS);
      proxy.spoilNext(fault, method, path);
      asked += 1;
      await ask(proxy.address, { method, path, headers, body });
      const again = await ask(proxy.address, { method, path, headers, body });
      const isAnswered = 'status' in again && (again.status < 500 || again.text.includes('no-device'));
      if (!isAnswered)
        problems.push(`${fault}, then ${method} ${path} again: ${JSON.stringify(again).slice(0, 200)}`);
    }
  }
  return { asked, problems };
};
