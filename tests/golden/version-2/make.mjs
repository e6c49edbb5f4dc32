// Writes the golden records of version 2 and the database they came from, with the code of a checkout of commit 1be3c63:
//   node --import tsx tests/golden/version-2/make.mjs CHECKOUT
// CHECKOUT holds that commit with its packages installed. Nothing here may be run against newer code: what it wrote is the expectation.
import { spawnSync } from 'node:child_process';
import { mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { gzipSync } from 'node:zlib';

const checkout = resolve(process.argv[2] ?? '.');
const out = new URL('./', import.meta.url).pathname;
const from = (path) => import(join(checkout, path));

/** The private key of RFC 8032, 7.1, test 1: published, so that no secret stands here. */
const KEY = '9d61b19deffd5a60ba844af492ec2cc44449c5697b326919703bac031cae7f60';

const { valueOrThrow } = await from('src/core/fault.ts');
const { unplacedEvent } = await from('src/core/event/event.ts');
const { jobViewOf } = await from('src/core/event/apply.ts');
const { CAUTION_IDS } = await from('src/core/job/cautions.ts');
const { judgePull } = await from('src/core/command/judge-pull.ts');
const { wantedSetting, isSetFor } = await from('src/core/view/wanted-setting.ts');
const { fastenerAt } = await from('src/core/view/bench.ts');
const { terminalLines } = await from('src/core/job/terminal-list.ts');
const { readRequirement } = await from('src/core/requirement/read-requirement.ts');
const { NO_CONDITIONS } = await from('src/core/requirement/conditions.ts');
const { openSiteDatabase } = await from('scripts/site/run-site.ts');
const { fillDemo, demoPeople } = await from('scripts/site/fill-demo.ts');
const { planJob } = await from('src/server/services/plan-job.ts');
const { appendEvents, appendedTo, unknownContact } = await from('src/server/append/append-events.ts');
const { signJob } = await from('src/server/services/sign-job.ts');
const { exportRecord } = await from('src/server/services/export-record.ts');
const { allJobs, everyone, jobEvents } = await from('src/server/services/read-site.ts');
const { cribTools, cribAdapters } = await from('src/server/services/tool-crib.ts');
const { keepRequirement } = await from('src/server/services/keep-requirement.ts');
const { allSources, readBookRequirement } = await from('src/server/services/read-book.ts');
const { createConnection } = await from('node_modules/mysql2/promise.js');
const { v7: uuidv7 } = await from('node_modules/uuid/dist-node/index.js');

const home = join(checkout, '.jentik', 'golden');
rmSync(home, { recursive: true, force: true });
mkdirSync(join(out, 'records'), { recursive: true });
const database = await openSiteDatabase(home, 'Bukit Lintang Observatory');
const owner = await createConnection({ uri: `${database.ownerUrl}/jentik` });
await owner.query('UPDATE site SET sealing_private_key = ?', [KEY]);
await fillDemo();

const people = Object.fromEntries((await everyone()).map((person) => [person.name, person]));
const pins = Object.fromEntries(demoPeople().map(({ name, pin }) => [name, pin]));
const tools = Object.fromEntries((await cribTools()).map((known) => [known.tool.code, known]));
const adapters = Object.fromEntries((await cribAdapters()).map((adapter) => [adapter.code, adapter]));
const { Ayu, Bram, Dewi, Citra } = people;

const stateOf = async (job) => jobViewOf(await jobEvents(job, 0));
const events = (job, by, happenings, deviceTime = new Date().toISOString()) =>
  happenings.map((happening) => unplacedEvent({ id: uuidv7(), job, deviceTime, person: by }, happening));
const taken = (result) => {
  if (result.refused) throw new Error(JSON.stringify(result.refused));
  return result.placed;
};
const append = async (job, by, ...happenings) =>
  taken(valueOrThrow(await appendEvents(job, events(job, by, happenings), by)));
const chosen = (code, more = {}) => ({
  kind: 'tool-chosen',
  body: { tool: tools[code].tool, adapters: [], blocks: tools[code].blocks, override: null, ...more },
});
const cautions = { kind: 'cautions-confirmed', body: { cautions: CAUTION_IDS } };
const setFor = async (job, by, position) => {
  const state = await stateOf(job);
  const wanted = valueOrThrow(wantedSetting(state, fastenerAt(state, position)));
  if (isSetFor(state, wanted)) return;
  const setting = { text: wanted.text, value: wanted.setting, unit: state.tool.scale.unit };
  await append(job, by, { kind: 'tool-set', body: { toolId: state.tool.id, setting } });
};
const pull = async (job, by, position, method = 'click', readingText = null, readingStands = false) => {
  if (method !== 'by-feel') await setFor(job, by, position);
  const body = valueOrThrow(judgePull(await stateOf(job), { position, method, readingText, readingStands }));
  const [event] = await append(job, by, { kind: 'pull-made', body });
  return event.id;
};
const plan = async (by, title, rows, change = (line) => line) => {
  const csv = `position,label,x_mm,y_mm,conductor,requirement,drive\n${rows.join('\n')}\n`;
  const lines = valueOrThrow(terminalLines(csv)).lines.map(change);
  const at = { jobId: uuidv7(), eventId: uuidv7(), deviceTime: new Date().toISOString() };
  const source = { title: 'Receiver panel drawing', revision: 'D', place: 'note 7' };
  valueOrThrow(await planJob({ ...at, title, seenFrom: 'from the front', source, lines }, by));
  return at.jobId;
};
const sign = async (job, by, meaning, madeNoPull = false) => {
  const { sequence, hash } = (await jobEvents(job, 0)).at(-1);
  valueOrThrow(
    await signJob(job, {
      eventId: uuidv7(),
      personId: by.id,
      pin: pins[by.name],
      meaning,
      head: { sequence, hash },
      madeNoPull,
      deviceTime: new Date().toISOString(),
    }),
  );
};

const source = (await allSources()).find(({ status }) => status === 'current');
const keep = async (part, printed, conditions) => {
  const body = {
    part,
    size: 'M4',
    torque: { printed, readAs: null, requirement: valueOrThrow(readRequirement(printed, 'N.m')).requirement },
    otherPart: null,
    conditions: { ...NO_CONDITIONS, ...conditions },
    isPartSofter: false,
    place: 'page 3',
    note: '',
  };
  const id = uuidv7();
  valueOrThrow(
    await keepRequirement({ id, basedOn: null, sourceId: source.id, isWithdrawn: false, why: '', body }, Ayu),
  );
  return valueOrThrow(await readBookRequirement(id)).fromBook;
};
const locking = await keep('receiver panel nut', '16 to 20 in-lb', { runOn: { kind: 'to-be-measured' } });
const revised = await keep('receiver panel screw', '14 to 18 in-lb', {});

// Every kind of event of version 2 on one job, and what stands beside a signature.
const every = await plan(
  Bram,
  'Receiver panel R2, every kind of event',
  [
    'R2-1,feed,10,10,14 AWG,20 to 26 in-lb,',
    'R2-2,return,20,10,14 AWG,max 32 in-lb,cross',
    'R2-3,panel nut,30,10,,14 to 22 in-lb,hex-head',
    'R2-4,spare,40,10,,18 pounds,',
    'R2-5,bond,50,10,12 AWG,18 ±5 in-lb,lobed',
  ],
  (line) => {
    if (line.cells.position === 'R2-4') return { ...line, readAs: '18 lbf·in' };
    return line.cells.position === 'R2-3'
      ? { ...line, book: locking.book, cells: { ...line.cells, requirement: locking.torque.printed } }
      : line;
  },
);
await append(every, Bram, chosen('TS-07'), cautions);
await pull(every, Bram, 'R2-1', 'reading', '19.0');
const wrong = await pull(every, Bram, 'R2-1');
await append(every, Bram, { kind: 'pull-voided', body: { pullId: wrong, why: 'bit slipped' } });
await pull(every, Dewi, 'R2-1');
await append(every, Dewi, { kind: 'witness-marked', body: { position: 'R2-1' } });
await pull(every, Bram, 'R2-2', 'over-shot');
// A colleague's device, which does not know that it must be loosened first: recorded, with what stands against it.
await pull(every, Bram, 'R2-5', 'by-feel');
const { body: unseen } = (await jobEvents(every, 0)).findLast(
  ({ kind, body }) => kind === 'pull-made' && body.position === 'R2-1',
);
await append(every, Dewi, { kind: 'pull-made', body: { ...unseen, position: 'R2-2', seenPulls: 0 } });
await append(every, Bram, { kind: 'fastener-loosened', body: { position: 'R2-2' } });
await pull(every, Bram, 'R2-2');
await append(every, Bram, {
  kind: 'run-on-measured',
  body: { position: 'R2-3', torque: { text: '4.0', value: 4, unit: 'lbf.in' } },
});
await pull(every, Bram, 'R2-3');
await append(every, Bram, { kind: 'left-open', body: { position: 'R2-4', why: 'spare, no conductor' } });
await append(every, Bram, {
  kind: 'requirement-moved',
  body: { position: 'R2-5', requirement: { ...revised.torque, book: revised.book }, why: 'drawing revised' },
});
await pull(every, Bram, 'R2-5', 'reading', '3.2', true);
await pull(every, Bram, 'R2-5');
await append(every, Ayu, {
  kind: 'rules-moved',
  body: { from: 2, to: 1, why: 'as the earlier panel', differing: [] },
});
await append(every, Ayu, {
  kind: 'rules-moved',
  body: { from: 1, to: 2, why: 'back to the newest', differing: [] },
});
await sign(every, Bram, 'done');
await sign(every, Citra, 'inspected');
const check = (position, method, code, reading) => ({
  kind: 'fastener-checked',
  body: {
    position,
    purpose: 'check',
    method,
    toolId: tools[code].tool.id,
    reading: { text: reading, value: Number(reading), unit: tools[code].tool.scale.unit },
    note: '',
    tool: {
      code,
      serial: tools[code].tool.serial,
      calibrationDueOn: tools[code].tool.calibrationDueOn,
    },
    lowNewtonMetres: 0,
    highNewtonMetres: 0,
    isInside: false,
  },
});
await append(every, Citra, check('R2-1', 'first-movement', 'TD-01', '2.60'));
const recall = {
  kind: 'recall-noted',
  body: {
    sessionId: uuidv7(),
    toolCode: 'TS-07',
    what: 'left as it is',
    why: 'inside in the worst case',
    outside: 0,
  },
};
taken(valueOrThrow(await appendedTo(every, events(every, Ayu, [recall]), Ayu, unknownContact)));
await append(every, Citra, { kind: 'job-reopened', body: { why: 'found loose at inspection' } });
await pull(every, Bram, 'R2-1');
await sign(every, Dewi, 'done', true);

// Through an adapter, by a device whose clock says what can't be; left half done.
const levered = await plan(Ayu, 'Azimuth bracket, through an adapter', [
  'B1,upper,0,0,,24 to 36 Nm,hex-head',
  'B2,lower,0,60,,30 Nm ±15%,hex-head',
]);
const offset = adapters['RH-19'];
const wrench = Object.values(tools).find(
  ({ tool, blocks }) =>
    tool.drive === offset.driveIn &&
    tool.leverMillimetres !== null &&
    blocks.length === 0 &&
    tool.scale.form === 'barrel',
);
await append(
  levered,
  Bram,
  chosen(wrench.tool.code, { adapters: [{ adapter: offset, angleDegrees: 45 }] }),
  cautions,
);
await setFor(levered, Bram, 'B2');
const late = valueOrThrow(
  judgePull(await stateOf(levered), {
    position: 'B2',
    method: 'click',
    readingText: null,
    readingStands: false,
  }),
);
const receivedAt = new Date().toISOString();
taken(
  valueOrThrow(
    await appendedTo(
      levered,
      events(
        levered,
        Bram,
        [{ kind: 'pull-made', body: late }],
        new Date(Date.now() + 86_400_000).toISOString(),
      ),
      Bram,
      () => ({ receivedAt, sentAt: receivedAt, device: uuidv7(), signedInAt: receivedAt }),
    ),
  ),
);

// A tool that something stands against, let through by a lead.
const blocked = Object.values(tools).find(
  ({ blocks, tool }) => blocks.includes('overdue-time') && tool.scale.form === 'barrel',
);
const { scale } = blocked.tool;
const unit = { 'N.m': 'Nm', 'lbf.ft': 'lb-ft', 'cN.m': 'cNm', 'lbf.in': 'in-lb' }[scale.unit];
const overridden = await plan(Dewi, 'Tail panel, by override', [
  `P1,left,0,0,,${(scale.minimum + scale.maximum) / 2} ${unit} ±20%,`,
]);
await append(
  overridden,
  Ayu,
  chosen(blocked.tool.code, { override: 'checked against another tool today' }),
  cautions,
);
await pull(overridden, Ayu, 'P1');

for (const { id, number } of await allJobs())
  writeFileSync(join(out, 'records', `${number}.json`), valueOrThrow(await exportRecord(id)).text);

// The whole database, as one text that any MariaDB reads.
const url = new URL(database.ownerUrl);
const dump = spawnSync(
  'mariadb-dump',
  [
    '--no-defaults',
    `--user=${url.username}`,
    `--password=${url.password}`,
    '--host=127.0.0.1',
    `--port=${url.port}`,
    '--skip-comments',
    '--hex-blob',
    '--skip-dump-date',
    'jentik',
  ],
  { encoding: 'buffer', maxBuffer: 1 << 28 },
);
if (dump.status !== 0) throw new Error(String(dump.stderr));
writeFileSync(join(out, 'site.sql.gz'), gzipSync(dump.stdout, { level: 9 }));
await owner.end();
await database.stop();
process.exit(0);
