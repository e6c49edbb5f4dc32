import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { ensureBuilt } from '../site/build.ts';
import { ensureDebianPackage } from '../site/debian-package.ts';
import { inProject } from '../site/paths.ts';
import { CHROMIUM } from './chromium.ts';

// Everything that must hold, in the order in which it fails fastest. Ends with a plain line `N passed, N failed`.

type Count = { readonly passed: number; readonly failed: number };

const RESULTS = inProject('.jentik', 'test-results');
const bin = (name: string): string => inProject('node_modules', '.bin', name);

const run = (command: string, args: readonly string[]): boolean =>
  spawnSync(command, args, {
    cwd: inProject(),
    stdio: ['ignore', 'inherit', 'inherit'],
    // The site's own patience, not that of a command.
    env: { ...process.env, ASTRO_TELEMETRY_DISABLED: '1', JENTIK_STATEMENT_SECONDS: '12' },
  }).status === 0;

const check = (name: string, command: string, args: readonly string[]): Count => {
  console.log(`\n── ${name}`);
  return run(command, args) ? { passed: 1, failed: 0 } : { passed: 0, failed: 1 };
};

/** The counts in a runner's JSON report. A runner that died without one has failed. */
const counted = (
  name: string,
  command: string,
  args: readonly string[],
  file: string,
  read: (report: never) => Count,
): Count => {
  console.log(`\n── ${name}`);
  rmSync(file, { force: true });
  const hasPassed = run(command, args);
  if (!existsSync(file)) return { passed: 0, failed: 1 };
  const count = read(JSON.parse(readFileSync(file, 'utf8')) as never);
  return hasPassed || count.failed > 0 ? count : { ...count, failed: 1 };
};

type VitestReport = { readonly numPassedTests: number; readonly numFailedTests: number };
type PlaywrightReport = {
  readonly stats: { readonly expected: number; readonly unexpected: number };
};

const vitest = (project: string): Count => {
  const file = `${RESULTS}/${project}.json`;
  return counted(
    `${project} tests`,
    bin('vitest'),
    ['run', '--project', project, '--reporter=default', '--reporter=json', `--outputFile.json=${file}`],
    file,
    ({ numPassedTests, numFailedTests }: VitestReport) => ({
      passed: numPassedTests,
      failed: numFailedTests,
    }),
  );
};

const browser = (): Count => {
  const file = `${RESULTS}/browser.json`;
  process.env['PLAYWRIGHT_JSON_OUTPUT_NAME'] = file;
  return counted('browser tests', bin('playwright'), ['test'], file, ({ stats }: PlaywrightReport) => ({
    passed: stats.expected,
    failed: stats.unexpected,
  }));
};

mkdirSync(RESULTS, { recursive: true });
const counts: Count[] = [
  check('formatting and lint', bin('biome'), ['check', '.']),
  check('floors', bin('depcruise'), ['src', '--output-type', 'err']),
  check('types', bin('astro'), ['check', '--minimumFailingSeverity', 'warning']),
  vitest('unit'),
];
ensureDebianPackage('mariadb-server', '/usr/sbin/mariadbd');
counts.push(vitest('database'));
await ensureBuilt();
counts.push(
  check('two processes on one database', process.execPath, [
    '--import',
    'tsx',
    'scripts/processes.ts',
    '--small',
  ]),
  check('two Galera nodes', process.execPath, ['--import', 'tsx', 'scripts/cluster.ts', '--small']),
);
ensureDebianPackage('chromium', CHROMIUM);
const campaign = (name: string): Count =>
  check(name, process.execPath, ['--import', 'tsx', `scripts/${name}.ts`, '--small']);
counts.push(campaign('fuzz'), campaign('faults'), browser());

const passed = counts.reduce((sum, count) => sum + count.passed, 0);
const failed = counts.reduce((sum, count) => sum + count.failed, 0);
console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
