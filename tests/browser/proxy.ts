import { spawn, spawnSync } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { userInfo } from 'node:os';
import { join } from 'node:path';
import { freePort } from '../../scripts/site/free-port.ts';
import { inProject } from '../../scripts/site/paths.ts';

/** The name that the certificate of the tests is for; the browser is told where it is. */
export const HOST = 'bench.jentik.test';

const done = (command: string, args: readonly string[]): void => {
  const { status, stderr } = spawnSync(command, [...args], { encoding: 'utf8' });
  if (status !== 0) throw new Error(`${command} ${args.join(' ')}: ${stderr}`);
};

/** A certificate as docs/deploy.md makes it, and a home whose browser trusts the authority that made it, as a telephone does on which somebody installed it. */
export const trustedHome = (folder: string): string => {
  done('sh', [inProject('deploy', 'make-certificates.sh'), folder, HOST]);
  const home = join(folder, 'home');
  const trust = join(home, '.pki', 'nssdb');
  mkdirSync(trust, { recursive: true });
  const database = ['-d', `sql:${trust}`];
  done('certutil', [...database, '-N', '--empty-password']);
  done('certutil', [...database, '-A', '-t', 'C,,', '-n', 'jentik', '-i', join(folder, 'ca.crt')]);
  return home;
};

/** Debian's nginx with the file that docs/deploy.md installs, its names and ports those of the tests. Answers its port, and what stops it. */
export const startProxy = async (
  folder: string,
  applicationPort: number,
  port: number,
): Promise<() => Promise<void>> => {
  const plainPort = await freePort();
  const site = readFileSync(inProject('deploy', 'nginx-jentik.conf'), 'utf8')
    .replaceAll('127.0.0.1:4321', `127.0.0.1:${applicationPort}`)
    .replaceAll('bench.example', HOST)
    .replaceAll('/etc/jentik/', `${folder}/`)
    .replace('listen 443 ssl', `listen 127.0.0.1:${port} ssl`)
    .replace('listen 80', `listen 127.0.0.1:${plainPort}`);
  const work = join(folder, 'nginx');
  rmSync(work, { recursive: true, force: true });
  mkdirSync(work, { recursive: true });
  const paths = ['client_body', 'proxy', 'fastcgi', 'uwsgi', 'scgi']
    .map((name) => `${name}_temp_path ${work}/${name};`)
    .join('\n');
  writeFileSync(
    join(work, 'nginx.conf'),
    `daemon off;
${userInfo().uid === 0 ? 'user root;' : ''}
pid ${work}/nginx.pid;
error_log ${work}/error.log warn;
events {}
http {
include /etc/nginx/mime.types;
access_log ${work}/access.log;
${paths}
${site}
}
`,
  );
  const log = join(work, 'error.log');
  const nginx = spawn('/usr/sbin/nginx', ['-p', work, '-e', log, '-c', join(work, 'nginx.conf')], {
    stdio: 'ignore',
  });
  const ended = new Promise<void>((resolve) => nginx.once('exit', () => resolve()));
  const giveUpAt = Date.now() + 15_000;
  for (;;) {
    const answer = await fetch(`http://127.0.0.1:${plainPort}/jentik-ca.crt`).catch(() => null);
    if (answer?.ok) break;
    if (Date.now() > giveUpAt || nginx.exitCode !== null)
      throw new Error(`nginx did not start; its log is ${log}`);
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  return async () => {
    nginx.kill('SIGTERM');
    await ended;
  };
};
