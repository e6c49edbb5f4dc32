import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createConnection } from 'mysql2/promise';
import { abortInTheMiddle } from './load/aborted.ts';
import { startAtOnce } from './load/first-starts.ts';
import { writeToOneJob } from './load/one-job.ts';
import { ensureBuilt } from './site/build.ts';
import { ensureDebianPackage } from './site/debian-package.ts';
import { fillDemo } from './site/fill-demo.ts';
import { freePort } from './site/free-port.ts';
import { inProject } from './site/paths.ts';
import { type DatabaseServer, startPrivateDatabase } from './site/private-database.ts';
import { type Application, openSiteDatabase, startApplication } from './site/run-site.ts';

// `npm run cluster`, with --small as in the tests: a Galera cluster of two nodes on loopback with an application process on each, eight people writing to
// one job through both; two processes that start at once on an empty database, each at its own node; and transactions that the other node ends
// in the middle. Row locks of one node are nothing to the other: what collides fails at its commit, or before, and is done again.

const isSmall = process.argv.includes('--small');
const WRITERS = 8;
const EACH = isSmall ? 10 : 360;
const FIRST_STARTS = isSmall ? 1 : 6;
const PROVIDER = '/usr/lib/galera/libgalera_smm.so';

const home = inProject('.jentik', 'cluster');

/** Starts a node; the first one, without a peer, begins the cluster. */
const startNode = async (
  name: string,
  group: number,
  peer: number | null,
): Promise<{ readonly server: DatabaseServer; readonly group: number }> => {
  const [ist, sst] = [await freePort(), await freePort()];
  const provider = [
    'base_host=127.0.0.1',
    `base_port=${group}`,
    `gmcast.listen_addr=tcp://127.0.0.1:${group}`,
    `ist.recv_addr=127.0.0.1:${ist}`,
    'gcache.size=64M',
    // A shared machine that stands still for seconds is no node that is gone.
    ...['evs.suspect_timeout', 'gmcast.peer_timeout', 'gmcast.time_wait'].map((name) => `${name}=PT30S`),
    'evs.inactive_timeout=PT60S',
    'evs.install_timeout=PT60S',
  ].join(';');
  const folder = `${home}/${name}`;
  mkdirSync(folder, { recursive: true });
  // Accounts are the cluster's: every node is started with the same password.
  writeFileSync(`${folder}/owner-password`, 'a-password-of-this-script-alone', { mode: 0o600 });
  const server = await startPrivateDatabase(folder, [
    '--wsrep-on=ON',
    `--wsrep-provider=${PROVIDER}`,
    '--binlog-format=ROW',
    '--innodb-autoinc-lock-mode=2',
    '--wsrep-cluster-name=jentik_local',
    `--wsrep-cluster-address=gcomm://${peer === null ? '' : `127.0.0.1:${peer}`}`,
    `--wsrep-node-name=${name}`,
    '--wsrep-node-address=127.0.0.1',
    `--wsrep-provider-options=${provider}`,
    '--wsrep-sst-method=rsync',
    `--wsrep-sst-receive-address=127.0.0.1:${sst}`,
    ...(peer === null ? ['--wsrep-new-cluster'] : []),
  ]);
  return { server, group };
};

const untilTwo = async (ownerUrl: string): Promise<void> => {
  const db = await createConnection({ uri: ownerUrl });
  for (let tries = 0; tries < 300; tries += 1) {
    const [rows] = await db.query("SHOW STATUS WHERE Variable_name IN ('wsrep_cluster_size', 'wsrep_ready')");
    const said = JSON.stringify(rows);
    if (said.includes('"2"') && said.includes('"ON"')) return db.end();
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  await db.end();
  throw new Error('the second node did not join');
};

ensureDebianPackage('mariadb-server', '/usr/sbin/mariadbd');
ensureDebianPackage('galera-4', PROVIDER);
ensureDebianPackage('rsync', '/usr/bin/rsync');
ensureDebianPackage('lsof', '/usr/bin/lsof');
await ensureBuilt();
rmSync(home, { recursive: true, force: true });
mkdirSync(home, { recursive: true });
// One site on several machines seals with one key, and is witnessed in one file.
process.env['JENTIK_SEALING_KEYS'] = `${home}/sealing-keys.json`;
process.env['JENTIK_WITNESS'] = `${home}/witness.ndjson`;
const servers: DatabaseServer[] = [];
const applications: Application[] = [];
try {
  const first = await startNode('one', await freePort(), null);
  servers.push(first.server);
  const second = await startNode('two', await freePort(), first.group);
  servers.push(second.server);
  await untilTwo(first.server.ownerUrl);
  const urls = servers.map(({ ownerUrl }) => ownerUrl);
  const starts = await startAtOnce(urls, FIRST_STARTS);
  const aborted: string[] = [];
  for (const [index, url] of urls.entries()) {
    process.env['JENTIK_DATABASE_URL'] = `${url}/jentik`;
    const folder = `${home}/app-${index}`;
    mkdirSync(folder, { recursive: true });
    const database = await openSiteDatabase(folder, 'Cluster');
    if (index === 0) {
      await fillDemo();
      aborted.push(...(await abortInTheMiddle(`${urls[1]}/jentik`)));
    }
    applications.push(await startApplication(folder, database.appUrl, await freePort()));
    await database.stop();
  }
  const { acknowledged, problems } = await writeToOneJob(
    applications.map(({ address }) => address),
    WRITERS,
    EACH,
  );
  console.log(
    `two Galera nodes: ${acknowledged} of ${WRITERS * EACH} appends acknowledged, ${problems.length} problems; ${FIRST_STARTS * 2} first starts, ${starts.length} problems; 4 ended in the middle, ${aborted.length} problems`,
  );
  const all = [...aborted, ...problems, ...starts];
  for (const problem of all.slice(0, 20)) console.error(problem);
  process.exitCode = all.length > 0 || acknowledged < WRITERS * EACH ? 1 : 0;
} catch (error) {
  // What the applications said would go with the folder.
  for (const index of [0, 1]) {
    const log = `${home}/app-${index}/application.log`;
    if (existsSync(log)) console.error(readFileSync(log, 'utf8').slice(-2_000));
  }
  throw error;
} finally {
  for (const application of applications) await application.stop();
  for (const server of [...servers].reverse()) await server.stop();
  rmSync(home, { recursive: true, force: true });
}
