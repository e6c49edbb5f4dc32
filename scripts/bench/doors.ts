import { onBenchSite } from './bench-site.ts';
import { printMeasured } from './measured.ts';

const AT_ONCE = 20;
const PAGES = 30;
const ROUNDS = 8;

const LABEL = Array.from(
  { length: 250 },
  (_, at) => `Terminal X${at}: 12 to 14 Nm, 106 in-lb; cover screws 0.5 Nm`,
)
  .join('\n')
  .slice(0, 19_000);

type KeyedTable = { readonly keys: readonly unknown[] };
type Asked = readonly [name: string, body: unknown];

/** The most that each public calculation takes of somebody who is not signed in. */
const publicWork = (
  crib: readonly { readonly tool: unknown }[],
  tables: readonly { readonly body: KeyedTable }[],
): readonly Asked[] => [
  ['read-label', { text: LABEL }],
  ['parse-torque', { text: '12 Nm '.repeat(30) }],
  ['resolve-requirement', { requirement: '20 to 24 in-lb (2.3 to 2.7 Nm)' }],
  [
    'choose-tool',
    {
      tools: Array.from({ length: 12 }, () => ({ tool: crib[0]?.tool, blocks: [], standsAt: null })),
      target: { value: 2, unit: 'N.m' },
      low: { value: 1.8, unit: 'N.m' },
      high: { value: 2.2, unit: 'N.m' },
    },
  ],
  ...tables
    .map(({ body }): Asked => ['look-up', { table: body, keys: body.keys.map(() => null) }])
    .filter(([, body]) => JSON.stringify(body).length < 20_000)
    .sort(([, a], [, b]) => JSON.stringify(b).length - JSON.stringify(a).length)
    .slice(0, 1),
];

/** How long a page takes while twenty of the most expensive public answers are being worked out. Bound: 300 ms. */
export const benchDoors = (): Promise<void> =>
  onBenchSite(async ({ address, people, signedIn }) => {
    const client = await signedIn(people[0] as (typeof people)[number]);
    const post = async (name: string, body: unknown): Promise<number> => {
      const answer = await fetch(`${address}/api/v1/compute/${name}`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(body),
      });
      await answer.text();
      return answer.status;
    };
    const page = async (): Promise<number> => {
      const start = performance.now();
      const { status } = await client.ask('GET', '/jobs');
      if (status !== 200) throw new Error(`the page answered ${status}`);
      return performance.now() - start;
    };
    for (let warm = 0; warm < 5; warm += 1) await page();
    const quiet: number[] = [];
    for (let run = 0; run < PAGES; run += 1) quiet.push(await page());
    printMeasured('a page, nothing else going on', quiet);
    const listed = async <T>(path: string): Promise<readonly T[]> =>
      (await client.ask('GET', path)).body as readonly T[];
    const work = publicWork(await listed('/api/v1/tools'), await listed('/api/v1/tables'));
    for (const [name, body] of work) {
      await post(name, body);
      const times: number[] = [];
      for (let run = 0; run < ROUNDS; run += 1) {
        const asked = Array.from({ length: AT_ONCE }, () => post(name, body));
        times.push(await page());
        for (const status of await Promise.all(asked))
          if (status !== 200 && status !== 503) throw new Error(`${name} answered ${status}`);
      }
      printMeasured(`a page, while ${AT_ONCE} requests of ${name} run (bound 300)`, times);
    }
  });
