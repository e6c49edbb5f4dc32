import type { UnplacedEvent } from '#core/event/event.ts';
import type { LedgerEvent } from '#core/event/lifted.ts';
import { firstBreak } from '#core/ledger/hash-chain.ts';
import { nodeSha256 } from '#server/append/node-sha256.ts';
import { demoPeople } from '../site/fill-demo.ts';
import { deviceOn, readyJob, type SiteAnswer, type SiteClient, signedInClient } from './site-client.ts';

const TERMINALS = 40;
const TOOL = 'TS-07';
// What the site says of itself when its database takes too long: Retry-After. It is asked again for as long as a bench would.
const BUSY = 503;
const ASK_AGAIN_MS = 1_000;
const GIVE_UP_MS = 60_000;

type Writer = { readonly client: SiteClient; readonly sent: UnplacedEvent[]; readonly problems: string[] };

/** What came of several people writing to one job at once through several processes. */
export type OneJobReport = {
  readonly acknowledged: number;
  readonly problems: readonly string[];
};

const answered = async (client: SiteClient, path: string, body: unknown): Promise<SiteAnswer> => {
  const giveUpAt = Date.now() + GIVE_UP_MS;
  for (;;) {
    const answer = await client.ask('POST', path, body);
    if (answer.status !== BUSY || Date.now() > giveUpAt) return answer;
    await new Promise((resolve) => setTimeout(resolve, ASK_AGAIN_MS));
  }
};

const writeAll = async (
  { client, sent, problems }: Writer,
  job: string,
  events: readonly LedgerEvent[],
  each: number,
  first: number,
): Promise<void> => {
  const device = deviceOn(events, client.person);
  for (let made = 0; made < each; made += 1) {
    const event = device.pull(`P${((first + made) % TERMINALS) + 1}`);
    const { status, body } = await answered(client, `/api/v1/jobs/${job}/events`, { events: [event] });
    const { refused, placed } = body as {
      readonly refused?: unknown;
      readonly placed?: readonly LedgerEvent[];
    };
    if (status !== 200 || refused || placed?.[0]?.id !== event.id)
      problems.push(`${client.person.name}: ${status} ${JSON.stringify(refused ?? body).slice(0, 200)}`);
    else sent.push(event);
  }
};

const ledgerProblems = (ledger: readonly LedgerEvent[], writers: readonly Writer[]): readonly string[] => {
  const problems: string[] = [];
  const broken = firstBreak(ledger, nodeSha256);
  if (broken) problems.push(`the chain breaks at ${broken.sequence}: ${broken.problem}`);
  const indexByPosition = new Map<string, number>();
  for (const { id, sequence } of ledger) {
    if (indexByPosition.has(id)) problems.push(`event ${id} is there twice`);
    indexByPosition.set(id, sequence);
  }
  for (const { sent } of writers) {
    const places = sent.map(({ id }) => indexByPosition.get(id));
    if (places.includes(undefined)) problems.push('an acknowledged event is lost');
    if (places.some((place, index) => index > 0 && (place ?? 0) <= (places[index - 1] ?? 0)))
      problems.push('events of one person are out of order');
  }
  return problems;
};

/** Lets `writers` people write `each` pulls to one job at once, spread over application processes, and says what was lost, doubled, out of order or
 *  answered with an error. */
export const writeToOneJob = async (
  addresses: readonly string[],
  writers: number,
  each: number,
): Promise<OneJobReport> => {
  const people = demoPeople();
  const all: Writer[] = [];
  for (let index = 0; index < writers; index += 1) {
    const { name, pin } = people[index % people.length] as (typeof people)[number];
    const client = await signedInClient(addresses[index % addresses.length] as string, name, pin);
    all.push({ client, sent: [], problems: [] });
  }
  const [first] = all;
  if (!first) throw new Error('nobody writes');
  const { job } = await readyJob(first.client, TERMINALS, TOOL);
  const read = async (): Promise<readonly LedgerEvent[]> =>
    (await first.client.ask('GET', `/api/v1/jobs/${job}/events`)).body as readonly LedgerEvent[];
  const events = await read();
  await Promise.all(all.map((writer, index) => writeAll(writer, job, events, each, index * 5)));
  const problems = [...all.flatMap((writer) => writer.problems), ...ledgerProblems(await read(), all)];
  for (const { client } of all) client.close();
  return { acknowledged: all.reduce((sum, { sent }) => sum + sent.length, 0), problems };
};
