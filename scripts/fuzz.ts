import { mkdirSync, readdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { v7 as uuidv7 } from 'uuid';
import { z } from 'zod';
import { checkLedger } from '#server/sealing/check-ledger.ts';
import { OPERATIONS } from '#wire/api.ts';
import type { Operation } from '#wire/operation.ts';
import type { ProblemCode } from '#wire/problems/problem.ts';
import { problemsOf } from '#wire/problems-of.ts';
import { ledgerFindingWords } from '#wire/words/ledger.ts';
import { numberOption, type Random, seeded } from './campaign/seeded.ts';
import { SPENT } from './campaign/spent.ts';
import { type Asked, ask, type Came, closeConnections } from './fuzz/ask.ts';
import { fromSchema, type Schema } from './fuzz/from-schema.ts';
import { type Ids, idIn, knownIds, knownOf } from './fuzz/known-site.ts';
import { ODD_HEADERS, ODD_PATH_PARTS, ODD_QUERIES, oddBytes, oddened } from './fuzz/odd.ts';
import { type SiteClient, signedInClient } from './load/site-client.ts';
import { ensureBuilt } from './site/build.ts';
import { demoPeople, fillDemo } from './site/fill-demo.ts';
import { freePort } from './site/free-port.ts';
import { inProject } from './site/paths.ts';
import { openSiteDatabase, startApplication } from './site/run-site.ts';

// `npm run fuzz [-- --small] [--seed N] [--inputs N]`: malformed inputs over every operation and every page, as nobody, technician, inspector and lead. None may be
// answered by 5xx or not at all, and nothing that was taken may fail later. Operations and pages are read from where they are defined, so that a new one is
// covered without being named.

const INPUTS = numberOption('--inputs', process.argv.includes('--small') ? 2_500 : 12_000);
const SEED = numberOption('--seed', 20_261_126);
const AT_ONCE = 8;

// Heavy by nature and one at a time: a few are enough.
const RARE: ReadonlySet<string> = new Set(['checkLedger', 'backUp', 'toolLabels']);

const operations: readonly (readonly [string, Operation])[] = Object.entries(OPERATIONS);

const pagesIn = (folder: string, path = ''): readonly string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    if (entry.isDirectory())
      return entry.name === 'api' ? [] : pagesIn(join(folder, entry.name), `${path}/${entry.name}`);
    const name = entry.name.replace(/\.astro$/, '');
    if (name === entry.name) return [];
    return [(name === 'index' ? path : `${path}/${name}`).replace(/\[(\w+)\]/g, '{$1}') || '/'];
  });
const pages = pagesIn(inProject('src', 'pages'));

const schemas = new Map<string, Schema>();
const schemaOf = (id: string, { request }: Operation): Schema => {
  const known =
    schemas.get(id) ?? (z.toJSONSchema(request, { io: 'input', unrepresentable: 'any' }) as Schema);
  schemas.set(id, known);
  return known;
};

type Asker = { readonly cookie: string; readonly client: SiteClient | null };

/** A path with its braces filled: mostly by what is there, else by what should not be in a path. */
const pathOf = (template: string, ids: Ids, random: Random, oddShare: number): string =>
  template.replace(/\{(\w+)\}/g, (_, name: string) =>
    random.chance(oddShare) ? random.pick(ODD_PATH_PARTS) : encodeURIComponent(idIn(name, ids, random)),
  );

/** Events as the person who sends them would have made them: else each would be refused for that alone. */
const ownEvents = (body: unknown, job: string, { client }: Asker, random: Random): unknown => {
  const { events } = (body ?? {}) as { readonly events?: unknown };
  if (!client || !Array.isArray(events) || random.chance(0.1)) return body;
  const own = events.map((event) =>
    event !== null && typeof event === 'object'
      ? { ...event, id: uuidv7(), job, person: client.person, deviceTime: new Date().toISOString() }
      : event,
  );
  return { ...(body as object), events: own };
};

const operationAsked = (ids: Ids, asker: Asker, random: Random): Asked & { readonly id: string } => {
  let [id, operation] = random.pick(operations);
  while (RARE.has(id) && random.chance(0.97)) [id, operation] = random.pick(operations);
  const path =
    pathOf(operation.path, ids, random, 0.12) + (random.chance(0.2) ? random.pick(ODD_QUERIES) : '');
  const method = random.chance(0.04)
    ? random.pick(['GET', 'POST', 'PUT', 'DELETE', 'PATCH', 'HEAD', 'OPTIONS', 'TRACE'])
    : operation.method;
  const isSigned = !(SPENT.has(id) || (path.includes('/sessions') && method === 'DELETE'));
  const odd = random.pick(ODD_HEADERS);
  const headers = { ...(isSigned && asker.cookie ? { cookie: asker.cookie } : {}), ...odd };
  if (method === 'GET' || method === 'HEAD' || operation.request instanceof z.ZodUndefined)
    return { id, method, path, headers, body: random.chance(0.03) ? oddBytes('{}', random) : null };
  const job = decodeURIComponent(/jobs\/([0-9a-f-]{36})/.exec(path)?.[1] ?? '');
  const usual = ownEvents(fromSchema(schemaOf(id, operation), random, knownOf(ids)), job, asker, random);
  const type = random.chance(0.03)
    ? random.pick(['text/plain', 'application/json; charset=x', ''])
    : 'application/json';
  const json = JSON.stringify(random.chance(0.75) ? oddened(usual, random) : usual) ?? 'null';
  const body = random.chance(0.06) ? oddBytes(json, random) : Buffer.from(json);
  return { id, method, path, headers: { 'content-type': type, ...headers }, body };
};

const pageAsked = (ids: Ids, asker: Asker, random: Random): Asked => {
  const known = pathOf(random.pick(pages), ids, random, 0.3);
  const path = random.chance(0.1) ? `/${random.pick(ODD_PATH_PARTS)}` : known;
  const headers = { ...(asker.cookie ? { cookie: asker.cookie } : {}), ...random.pick(ODD_HEADERS) };
  return {
    method: random.chance(0.05) ? 'POST' : 'GET',
    path: path + random.pick(ODD_QUERIES),
    headers,
    body: null,
  };
};

const problemOf = (came: Came): string | null => {
  if ('hungUp' in came) return came.hungUp;
  // The tester is a stand-in that may not be there: that is said, and is no failure of the site.
  return came.status >= 500 && !came.text.includes('no-device')
    ? `${came.status} ${came.text.slice(0, 160)}`
    : null;
};

/** A problem that the description of the interface does not name for what was asked; null for one that it does. */
const undescribed = (asked: Asked & { readonly id?: string }, came: Came): string | null => {
  if (!('status' in came) || asked.id === undefined) return null;
  const operation = OPERATIONS[asked.id as keyof typeof OPERATIONS] as Operation;
  // Asked in another way, or at an address that may be another's, it is another operation, or none.
  if (asked.method !== operation.method || came.status === 404) return null;
  const code = /"type":"urn:jentik:problem:([a-z-]+)"/.exec(came.text)?.[1] as ProblemCode | undefined;
  if (!code || problemsOf(asked.id as keyof typeof OPERATIONS, operation).includes(code)) return null;
  return `${code} is not among what ${asked.id} can answer`;
};

const repeated = ({ method, path, headers, body }: Asked): string =>
  `${method} ${path.slice(0, 200)} ${JSON.stringify(headers).slice(0, 160)} ${body?.toString('utf8').slice(0, 700) ?? ''}`;

/** Everything that is there now, read once: every list, every page of every row. */
const sweep = async (address: string, lead: Asker, ids: Ids): Promise<readonly string[]> => {
  const failed: string[] = [];
  const filled = (template: string): readonly string[] => {
    const name = /\{(\w+)\}/.exec(template)?.[1];
    if (!name) return [template];
    const pool = (ids[name] ?? []).slice(-40);
    return pool.flatMap((id) => filled(template.replace(`{${name}}`, encodeURIComponent(id)))).slice(0, 400);
  };
  const reads = operations
    .filter(([id, { method }]) => method === 'GET' && !RARE.has(id))
    .map(([, { path }]) => path);
  for (const template of [...reads, ...pages])
    for (const path of filled(template)) {
      const asked = { method: 'GET', path, headers: { cookie: lead.cookie }, body: null };
      const problem = problemOf(await ask(address, asked));
      if (problem) failed.push(`later: ${path}: ${problem}`);
    }
  return failed;
};

await ensureBuilt();
const home = inProject('.jentik', 'fuzz');
rmSync(home, { recursive: true, force: true });
mkdirSync(home, { recursive: true });
const database = await openSiteDatabase(home, 'Fuzz');
const failures: string[] = [];
const statuses = new Map<number, number>();
try {
  await fillDemo();
  const application = await startApplication(home, database.appUrl, await freePort());
  const { address } = application;
  const clients: SiteClient[] = [];
  for (const { name, pin } of demoPeople()) clients.push(await signedInClient(address, name, pin));
  const askers: readonly Asker[] = [
    { cookie: '', client: null },
    ...clients.map((client) => ({ cookie: client.cookie, client })),
  ];
  const [lead] = askers.filter(({ client }) => client?.person.role === 'lead');
  if (!lead?.client) throw new Error('the demo has no lead');
  const leadClient = lead.client;
  let ids = await knownIds(leadClient);
  const random = seeded(SEED);
  let made = 0;
  const worker = async (): Promise<void> => {
    while (made < INPUTS) {
      made += 1;
      if (made % 1_000 === 0) ids = await knownIds(leadClient);
      // A lead may do most: more of what is asked gets past who may.
      const asker = random.chance(0.5) ? lead : random.pick(askers);
      const asked = random.chance(0.85) ? operationAsked(ids, asker, random) : pageAsked(ids, asker, random);
      const came = await ask(address, asked);
      const problem = problemOf(came) ?? undescribed(asked, came);
      if ('status' in came) statuses.set(came.status, (statuses.get(came.status) ?? 0) + 1);
      if (problem) failures.push(`${problem}\n    ${repeated(asked)}`);
    }
  };
  await Promise.all(Array.from({ length: AT_ONCE }, worker));
  failures.push(...(await sweep(address, lead, await knownIds(leadClient))));
  for (const client of clients) client.close();
  closeConnections();
  await application.stop();
  for await (const line of checkLedger())
    if (line.kind === 'finding') failures.push(`ledger: ${ledgerFindingWords(line.finding)}`);
} finally {
  await database.stop();
}
const answers = [...statuses].sort(([a], [b]) => a - b).map(([status, count]) => `${status}: ${count}`);
console.log(
  `${INPUTS} inputs of seed ${SEED} over ${operations.length} operations and ${pages.length} pages; ${answers.join(', ')}`,
);
console.log(
  `${failures.length} answered by 5xx, by what the interface does not describe, not at all, or taken and failing later`,
);
for (const failure of failures.slice(0, 40)) console.error(failure);
if (failures.length === 0) rmSync(home, { recursive: true, force: true });
process.exitCode = failures.length === 0 ? 0 : 1;
