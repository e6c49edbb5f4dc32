// Writes the golden records of version 1 and the frozen answers of rules 1, with the code of a checkout of commit 24c9d90:
//   node --import tsx tests/golden/version-1/make.mjs CHECKOUT
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
const { unplacedEvent } = await from('src/core/job/event.ts');
const { CAUTION_IDS } = await from('src/core/job/cautions.ts');
const { judgePull, wantedSetting, isSetFor } = await from('src/core/job/judge-pull.ts');
const { foldJob } = await from('src/core/job/next-state.ts');
const { fastenerAt } = await from('src/core/job/state.ts');
const { terminalLines } = await from('src/core/job/terminal-list.ts');
const { readRequirement } = await from('src/core/requirement/read-requirement.ts');
const { DEFAULT_SCHOOLS } = await from('src/core/target/schools.ts');
const { NO_CONDITIONS } = await from('src/core/requirement/conditions.ts');
const { openSiteDatabase } = await from('scripts/site/run-site.ts');
const { fillDemo, demoPeople } = await from('scripts/site/fill-demo.ts');
const { planJob } = await from('src/server/services/plan-job.ts');
const { appendEvents } = await from('src/server/services/append-events.ts');
const { signJob } = await from('src/server/services/sign-job.ts');
const { exportRecord } = await from('src/server/services/export-record.ts');
const { allJobs, everyone, jobEvents, siteChoices } = await from('src/server/services/read-site.ts');
const { changeSite } = await from('src/server/services/change-site.ts');
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

const stateOf = async (job) => valueOrThrow(foldJob(await jobEvents(job, 0)));
const append = async (job, by, ...happenings) => {
  const events = happenings.map((happening) =>
    unplacedEvent({ id: uuidv7(), job, deviceTime: new Date().toISOString(), person: by }, happening),
  );
  const result = valueOrThrow(await appendEvents(job, events, by));
  if (result.refused) throw new Error(JSON.stringify(result.refused));
  return events;
};
const chosen = (code, more = {}) => ({
  kind: 'tool-chosen',
  body: { tool: tools[code].tool, adapters: [], blocks: tools[code].blocks, override: null, ...more },
});
const cautions = { kind: 'cautions-confirmed', body: { cautions: CAUTION_IDS } };
const pull = async (job, by, position, method = 'click', readingText = null, readingStands = false) => {
  let state = await stateOf(job);
  if (method !== 'by-feel') {
    const wanted = valueOrThrow(wantedSetting(state, fastenerAt(state, position)));
    if (!isSetFor(state, wanted)) {
      const setting = { text: wanted.text, value: wanted.setting, unit: state.tool.scale.unit };
      await append(job, by, { kind: 'tool-set', body: { toolId: state.tool.id, setting } });
      state = await stateOf(job);
    }
  }
  const body = valueOrThrow(judgePull(state, { position, method, readingText, readingStands }));
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
const sign = async (job, by, meaning) =>
  valueOrThrow(
    await signJob(job, {
      eventId: uuidv7(),
      personId: by.id,
      pin: pins[by.name],
      meaning,
      deviceTime: new Date().toISOString(),
    }),
  );

// A requirement of the book whose run-on torque is measured on the job, and one to move to.
const source = (await allSources()).find(({ status }) => status === 'current');
const keep = async (part, printed, conditions, isPartSofter = false) => {
  const body = {
    part,
    size: 'M4',
    torque: { printed, readAs: null, requirement: valueOrThrow(readRequirement(printed, 'N.m')).requirement },
    otherPart: null,
    conditions: { ...NO_CONDITIONS, ...conditions },
    isPartSofter,
    place: 'page 3',
    note: '',
  };
  const id = uuidv7();
  const draft = { id, basedOn: null, sourceId: source.id, isWithdrawn: false, why: '', body };
  valueOrThrow(await keepRequirement(draft, Ayu));
  return valueOrThrow(await readBookRequirement(id)).fromBook;
};
const locking = await keep('receiver panel nut', '16 to 20 in-lb', { runOn: { kind: 'to-be-measured' } });
const revised = await keep('receiver panel screw', '14 to 18 in-lb', {});

// Every kind of event on one job: voids, over-shots, by feel, run-on, a moved requirement, two signatures, opened again and signed again.
const every = await plan(
  Bram,
  'Receiver panel R1, every kind of event',
  [
    'R1-1,feed,10,10,14 AWG,20 to 24 in-lb,',
    'R1-2,return,20,10,14 AWG,max 32 in-lb,cross',
    'R1-3,shield,30,10,,"2,4 Nm",',
    'R1-4,panel nut,40,10,,16 to 20 in-lb,hex-head',
    'R1-5,spare,50,10,,18 pounds,',
    'R1-6,bond,60,10,12 AWG,22 ±2 in-lb,lobed',
    'R1-7,drain,70,10,12 AWG,min 12 in-lb,',
  ],
  (line) => {
    if (line.cells.position === 'R1-5') return { ...line, readAs: '18 lbf·in' };
    return line.cells.position === 'R1-4' ? { ...line, book: locking.book } : line;
  },
);
await append(every, Bram, chosen('TS-07'), cautions);
await pull(every, Bram, 'R1-1', 'reading', '19.5');
const wrong = await pull(every, Bram, 'R1-1');
await append(every, Bram, { kind: 'pull-voided', body: { pullId: wrong, why: 'bit slipped' } });
await pull(every, Dewi, 'R1-1');
await append(every, Dewi, { kind: 'witness-marked', body: { position: 'R1-1' } });
await pull(every, Bram, 'R1-2', 'over-shot');
await append(every, Bram, { kind: 'fastener-loosened', body: { position: 'R1-2' } });
await pull(every, Bram, 'R1-2');
await pull(every, Bram, 'R1-3', 'by-feel');
await pull(every, Bram, 'R1-3');
await append(every, Bram, {
  kind: 'run-on-measured',
  body: { position: 'R1-4', torque: { text: '4.0', value: 4, unit: 'lbf.in' } },
});
await pull(every, Bram, 'R1-4');
await append(every, Bram, {
  kind: 'left-open',
  body: { position: 'R1-5', why: 'spare, no conductor' },
});
await pull(every, Bram, 'R1-6', 'reading', '2.5', true);
await append(every, Bram, {
  kind: 'requirement-moved',
  body: { position: 'R1-6', requirement: { ...revised.torque, book: revised.book }, why: 'drawing revised' },
});
await pull(every, Bram, 'R1-6');
await pull(every, Bram, 'R1-7');
await sign(every, Bram, 'done');
await sign(every, Citra, 'inspected');
await append(every, Citra, { kind: 'job-reopened', body: { why: 'found loose at inspection' } });
await pull(every, Bram, 'R1-1');
await sign(every, Bram, 'done');
await sign(every, Citra, 'inspected');

// A wrench with an offset head, guarded acceptance and the schools that are not the default; left half done.
const site = await siteChoices();
const schools = {
  ...site.schools,
  rangeTarget: 'high-end',
  maximumOnly: 'site-share',
  maximumSharePercent: 70,
  nominalTolerance: 'tool-class',
  twoParts: 'overlap-else-lower',
  harderMaterial: 'minimum-as-maximum',
  betweenGraduations: 'the-one-below',
  decisionRule: 'guarded',
  guardFactor: 0.5,
};
await changeSite({ ...site, schools }, 'for one job', Ayu);
const soft = await keep('soft bracket bolt', '24 to 30 Nm', { madeForMaterial: 'steel' }, true);
const guarded = await plan(
  Ayu,
  'Azimuth bracket, guarded, through an adapter',
  [
    'B1,upper,0,0,,24 to 30 Nm,hex-head',
    'B2,lower,0,60,,26 Nm,hex-head',
    'B3,side,40,30,,"max 30 Nm",hex-head',
  ],
  (line) => (line.cells.position === 'B1' ? { ...line, book: soft.book } : line),
);
await changeSite(site, 'back again', Ayu);
const offsets = Object.values(adapters).filter(({ offsetMillimetres }) => offsetMillimetres > 0);
const offset = adapters['RH-19'];
const levered = Object.values(tools).find(
  ({ tool, blocks }) =>
    tool.drive === offset.driveIn &&
    tool.leverMillimetres !== null &&
    blocks.length === 0 &&
    tool.scale.form === 'barrel',
);
if (!levered) throw new Error(`no tool for ${offset.code}`);
await append(
  guarded,
  Bram,
  chosen(levered.tool.code, { adapters: [{ adapter: offset, angleDegrees: 45 }] }),
  cautions,
);
await pull(guarded, Bram, 'B2');

// A tool that something stands against, let through by a lead; ready to be signed.
const blocked =
  Object.values(tools).find(
    ({ blocks, tool }) => blocks.includes('overdue-time') && tool.scale.form === 'barrel',
  ) ?? Object.values(tools).find(({ blocks, tool }) => blocks.length > 0 && tool.scale.form === 'barrel');
const unit = blocked.tool.scale.unit;
const middle = (blocked.tool.scale.minimum + blocked.tool.scale.maximum) / 2;
const overridden = await plan(Dewi, 'Tail panel, by override', [
  `P1,left,0,0,,${middle} ${unit === 'N.m' ? 'Nm' : unit === 'lbf.ft' ? 'lb-ft' : unit === 'cN.m' ? 'cNm' : 'in-lb'},`,
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
    '--skip-dump-date',
    'jentik',
  ],
  { encoding: 'buffer', maxBuffer: 1 << 28 },
);
if (dump.status !== 0) throw new Error(String(dump.stderr));
writeFileSync(join(out, 'site.sql.gz'), gzipSync(dump.stdout, { level: 9 }));

// Ten thousand seeded decisions under rules 1: what went in, and every number that came out.
let seed = 20261125;
const random = () => {
  seed = (seed + 0x6d2b79f5) | 0;
  let t = Math.imul(seed ^ (seed >>> 15), 1 | seed);
  t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
  return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
};
const pick = (list) => list[Math.floor(random() * list.length)];
const digits = (low, high, places) => (low + random() * (high - low)).toFixed(places);
const PRINTS = [
  (a, b, u) => `${a} to ${b} ${u}`,
  (a, b, u) => `${a}-${b} ${u}`,
  (a, _, u) => `${a} ${u}`,
  (a, _, u) => `${a} ±${Math.max(1, Math.round(Number(a) / 10))} ${u}`,
  (a, _, u) => `${a} ${u} ±${pick([4, 5, 10, 15])} %`,
  (_, b, u) => `max ${b} ${u}`,
  (a, _, u) => `min ${a} ${u}`,
];
const printOf = (scale) => {
  const unitText =
    {
      'lbf.in': 'in-lb',
      'N.m': 'Nm',
      'cN.m': 'cNm',
      'lbf.ft': 'lb-ft',
      'kgf.cm': 'kgf-cm',
      'ozf.in': 'oz-in',
    }[scale.unit] ?? 'Nm';
  const a = digits(scale.minimum, scale.maximum * 0.9, pick([0, 0, 1]));
  return pick(PRINTS)(a, (Number(a) * (1 + random() * 0.3)).toFixed(1), unitText);
};
const schoolsOf = () => ({
  ...DEFAULT_SCHOOLS,
  rangeTarget: pick(['middle', 'low-end', 'high-end']),
  maximumOnly: pick(['eighty-percent', 'printed-value', 'site-share']),
  maximumSharePercent: pick([60, 70, 80, 90]),
  nominalTolerance: pick(['site-tolerance', 'tool-class']),
  siteTolerancePercent: pick([5, 10, 15]),
  betweenGraduations: pick(['nearest-inside', 'the-one-below']),
  decisionRule: pick(['simple', 'guarded']),
  guardFactor: pick([0, 0.5, 1]),
});
const { SampleJob, TOOL } = await from('tests/core/job/sample-job.ts');
const ruled = [TOOL, ...Object.values(tools).map(({ tool }) => tool)].filter(
  ({ kind }) => kind !== 'shear-device',
);
const DECISIONS = 10_000;
const rows = [];
while (rows.length < DECISIONS) {
  const toolAt = Math.floor(random() * ruled.length);
  const tool = ruled[toolAt];
  const printed = printOf(tool.scale);
  const given = schoolsOf();
  const method = pick(['click', 'reading', 'reading', 'reading', 'over-shot', 'by-feel']);
  const adapterAt = offsets.findIndex(({ driveIn }) => driveIn === tool.drive);
  const isThroughAdapter = adapterAt >= 0 && tool.leverMillimetres !== null && random() < 0.4;
  const angle = isThroughAdapter ? pick([0, 30, 45, 90]) : null;
  const read = readRequirement(printed, 'N.m');
  if (!read.ok) continue;
  const row = { printed, schools: Object.values(given), tool: toolAt, adapter: adapterAt, angle, method };
  try {
    const job = new SampleJob([printed], given);
    const chain = angle === null ? [] : [{ adapter: offsets[adapterAt], angleDegrees: angle }];
    const took = { kind: 'tool-chosen', body: { tool, adapters: chain, blocks: [], override: null } };
    const { refusal } = job.try(took);
    if (refusal) {
      rows.push({ ...row, refused: refusal.code });
      continue;
    }
    job.happen(took);
    job.happen({ kind: 'cautions-confirmed', body: { cautions: CAUTION_IDS } });
    const { target, low, high, steps } = job.state.fasteners[0].target;
    const wanted = wantedSetting(job.state, job.state.fasteners[0]);
    const answer = {
      target: [target, low, high],
      steps: steps.map(({ rule, ratio }) => `${rule} ${ratio}`).join('|'),
      wanted: wanted.ok ? [wanted.value.text, wanted.value.turns] : wanted.refusal.code,
    };
    const reading =
      method === 'reading' && wanted.ok
        ? (wanted.value.setting * (0.8 + random() * 0.4)).toFixed(pick([1, 2]))
        : null;
    if (wanted.ok && method !== 'by-feel') job.setFor('1');
    const judged = judgePull(job.state, {
      position: '1',
      method,
      readingText: reading,
      readingStands: false,
    });
    if (judged.ok) {
      const { torqueNewtonMetres, standardUncertaintyNewtonMetres, outcome, probability } = judged.value;
      rows.push({
        ...row,
        ...answer,
        reading,
        judged: [torqueNewtonMetres, standardUncertaintyNewtonMetres, outcome, probability],
      });
    } else rows.push({ ...row, ...answer, reading, refused: judged.refusal.code });
  } catch {
    // A job that can't be planned like this is no decision.
  }
}
writeFileSync(
  join(out, 'rules.json.gz'),
  gzipSync(
    JSON.stringify({
      tools: ruled,
      adapters: offsets,
      schools: Object.keys(DEFAULT_SCHOOLS),
      decisions: rows,
    }),
    {
      level: 9,
    },
  ),
);
const codes = {};
for (const row of rows) codes[row.refused ?? row.judged[2]] = (codes[row.refused ?? row.judged[2]] ?? 0) + 1;
console.log(codes);
await owner.end();
await database.stop();
process.exit(0);
