import { mkdirSync, rmSync } from 'node:fs';
import { chromium } from '@playwright/test';
import type { LedgerEvent } from '#core/event/lifted.ts';
import { firstBreak } from '#core/ledger/hash-chain.ts';
import { nodeSha256 } from '#server/append/node-sha256.ts';
import { checkLedger } from '#server/sealing/check-ledger.ts';
import { ledgerFindingWords } from '#wire/words/ledger.ts';
import { numberOption, seeded } from './campaign/seeded.ts';
import { endAtAnyMoment } from './faults/endings.ts';
import { spoilEveryOperation } from './faults/every-operation.ts';
import { NETWORK_FAULTS, type NetworkFault, startFaultProxy } from './faults/fault-proxy.ts';
import { openTab, type Tab } from './faults/tab.ts';
import { closeConnections } from './fuzz/ask.ts';
import { readyJob, signedInClient } from './load/site-client.ts';
import { ensureBuilt } from './site/build.ts';
import { ensureDebianPackage } from './site/debian-package.ts';
import { demoPeople, fillDemo } from './site/fill-demo.ts';
import { freePort } from './site/free-port.ts';
import { inProject } from './site/paths.ts';
import { type Application, openSiteDatabase, startApplication } from './site/run-site.ts';
import { CHROMIUM, CHROMIUM_ARGS } from './test/chromium.ts';

// `npm run faults [-- --small] [--seed N] [--faults N]`: people at benches in a real browser go on pulling while tabs, application processes and the database are
// killed, connections dropped before and after the commit, answers cut, doubled, late and of another form, clocks wrong and jumping, and a start is ended at any moment. At the end every pull that was
// shown as recorded must be in the record or visibly waiting, and every acknowledged event there once and in order.

const FAULTS = numberOption('--faults', process.argv.includes('--small') ? 45 : 1_000);
const SEED = numberOption('--seed', 20_261_126);
const TERMINALS = 500;
const PEOPLE = ['Bram', 'Dewi', 'Eko'];
const TOOLS = ['TS-07', 'TS-07', 'TS-07'];
const SETTLED_MS = 90_000;
const LONGEST_CLOCK_HOURS = 6;

type Fault = NetworkFault | 'tab-killed' | 'server-killed' | 'database-killed' | 'clock-jumped';
/** The dear ones a little less often than the cheap ones. */
const FAULT_LIST: readonly Fault[] = [
  ...NETWORK_FAULTS,
  ...NETWORK_FAULTS,
  'tab-killed',
  'tab-killed',
  'server-killed',
  'clock-jumped',
  'database-killed',
];

const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

/** What is not as it should be with a tab's job, once everything is quiet again. */
const problemsOf = (tab: Tab, events: readonly LedgerEvent[], waiting: string | null): readonly string[] => {
  const problems: string[] = [];
  const at = `${tab.name}, job ${tab.job}`;
  for (const said of tab.refused) problems.push(`${at}: refused: ${said.slice(0, 160)}`);
  const broken = firstBreak(events, nodeSha256);
  if (broken) problems.push(`${at}: the chain breaks at ${broken.sequence}: ${broken.problem}`);
  if (new Set(events.map(({ id }) => id)).size !== events.length)
    problems.push(`${at}: an event is there twice`);
  const pulled = events
    .filter(({ kind }) => kind === 'pull-made')
    .map(({ body }) => (body as { readonly position: string }).position);
  if (new Set(pulled).size !== pulled.length) problems.push(`${at}: a pull is there twice`);
  const missing = tab.shown.filter((position) => !pulled.includes(position));
  if (missing.length > 0 && waiting === null)
    problems.push(`${at}: shown as recorded and neither in the record nor waiting: ${missing.join(', ')}`);
  const order = pulled.filter((position) => tab.shown.includes(position));
  const shown = tab.shown.filter((position) => pulled.includes(position));
  if (order.join() !== shown.join())
    problems.push(`${at}: out of order: shown ${shown.join()}, recorded ${order.join()}`);
  if (waiting !== null) problems.push(`${at}: still says “${waiting}”`);
  return problems;
};

await ensureBuilt();
ensureDebianPackage('chromium', CHROMIUM);
const home = inProject('.jentik', 'faults');
rmSync(home, { recursive: true, force: true });
const folders = ['a', 'b'].map((name) => `${home}/${name}`);
for (const folder of folders) mkdirSync(folder, { recursive: true });
const database = await openSiteDatabase(home, 'Faults');
const applications: Application[] = [];
const made = new Map<Fault, number>();
const problems: string[] = [];
const browser = await chromium.launch({ executablePath: CHROMIUM, args: [...CHROMIUM_ARGS] });
let pulls = 0;
let acknowledged = 0;
let operations = 0;
try {
  await fillDemo();
  const ports = [await freePort(), await freePort()];
  const start = async (index: number): Promise<void> => {
    applications[index] = await startApplication(
      folders[index] as string,
      database.appUrl,
      ports[index] as number,
    );
  };
  await start(0);
  await start(1);
  const proxy = await startFaultProxy(ports);
  const tabs: Tab[] = [];
  for (const [index, name] of PEOPLE.entries()) {
    const pin = demoPeople().find((person) => person.name === name)?.pin ?? '';
    const client = await signedInClient(`http://127.0.0.1:${ports[0]}`, name, pin);
    const { job } = await readyJob(client, TERMINALS, TOOLS[index] as string);
    client.close();
    tabs.push(await openTab(await browser.newContext(), proxy.address, name, job));
  }
  const random = seeded(SEED);
  const killServer = async (): Promise<void> => {
    const index = random.whole(applications.length);
    const application = applications[index] as Application;
    process.kill(application.pid, 'SIGKILL');
    await application.exited;
    await pause(random.whole(600));
    await start(index);
  };
  const killDatabase = async (): Promise<void> => {
    if (database.pid() === null) return;
    process.kill(database.pid() as number, 'SIGKILL');
    await database.exited;
    await pause(random.whole(400));
    await database.startAgain();
  };
  const doFault = async (fault: Fault): Promise<void> => {
    made.set(fault, (made.get(fault) ?? 0) + 1);
    const tab = random.pick(tabs);
    const press = async (times: number): Promise<void> => {
      for (let count = 0; count < times; count += 1) await tab.press();
    };
    switch (fault) {
      case 'tab-killed':
        await press(random.whole(3));
        return tab.kill();
      case 'server-killed':
        return void (await Promise.all([killServer(), press(2)]));
      case 'database-killed':
        return void (await Promise.all([killDatabase(), press(2)]));
      case 'clock-jumped':
        await tab.setClock((random.next() - 0.5) * 2 * LONGEST_CLOCK_HOURS);
        return press(1);
      default:
        proxy.spoilNext(fault);
        return press(1 + random.whole(2));
    }
  };
  // Each kind once, so that a small campaign has them all; then by chance.
  const once = [...new Set(FAULT_LIST)];
  for (let count = 0; count < FAULTS; count += 1) {
    await doFault(once[count] ?? random.pick(FAULT_LIST));
    if (count % 100 === 99) console.error(`${count + 1} of ${FAULTS} faults …`);
  }
  const waiting = await Promise.all(tabs.map((tab) => tab.untilSent(SETTLED_MS)));
  const lead = demoPeople()[0];
  const reader = await signedInClient(`http://127.0.0.1:${ports[0]}`, lead?.name ?? '', lead?.pin ?? '');
  const all = new Map<string, number>();
  for (const [index, tab] of tabs.entries()) {
    const events = (await reader.ask('GET', `/api/v1/jobs/${tab.job}/events`)).body as readonly LedgerEvent[];
    problems.push(...problemsOf(tab, events, waiting[index] ?? null));
    for (const { id } of events) all.set(id, (all.get(id) ?? 0) + 1);
    pulls += tab.shown.length;
  }
  acknowledged = proxy.acknowledged.size;
  const spoilt = await spoilEveryOperation(proxy, reader, Math.max(1, Math.round(FAULTS / 200)), random);
  operations = spoilt.asked;
  problems.push(...spoilt.problems);
  for (const id of proxy.acknowledged)
    if (all.get(id) !== 1) problems.push(`acknowledged event ${id} is there ${all.get(id) ?? 0} times`);
  reader.close();
  closeConnections();
  for (const tab of tabs) await tab.close();
  await proxy.stop();
  for (const application of applications) await application.stop();
  for await (const line of checkLedger())
    if (line.kind === 'finding') problems.push(`ledger: ${ledgerFindingWords(line.finding)}`);
} finally {
  await browser.close();
  for (const application of applications) await application.stop();
  await database.stop();
}
const endings = Math.max(4, Math.round(FAULTS / 25));
problems.push(...(await endAtAnyMoment(endings, seeded(SEED))));
const kinds = [...made].map(([fault, count]) => `${count} ${fault}`).sort();
console.log(
  `${FAULTS} faults of seed ${SEED}: ${kinds.join(', ')}; ${operations} requests of every operation spoilt and asked again; ${endings} starts ended at any moment`,
);
console.log(
  `${pulls} pulls shown as recorded, ${acknowledged} events acknowledged; ${problems.length} lost, doubled, out of order or not waiting`,
);
for (const problem of problems.slice(0, 20)) console.error(problem);
if (problems.length === 0) rmSync(home, { recursive: true, force: true });
process.exitCode = problems.length === 0 ? 0 : 1;
