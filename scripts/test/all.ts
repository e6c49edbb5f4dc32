import { mkdirSync } from 'node:fs';
import { ensureBuilt } from '../site/build.ts';
import { ensureDebianPackage } from '../site/debian-package.ts';
import { inProject } from '../site/paths.ts';
import { CHROMIUM } from './chromium.ts';
import { bin, browserCounted, type Count, checked, scriptChecked, vitestCounted } from './counted.ts';

// Everything that must hold, in the order in which it fails fastest; what leaves a processor idle has another check beside it. What failed is said again at the end,
// before a plain line `N passed, N failed`.

mkdirSync(inProject('.jentik', 'test-results'), { recursive: true });
const counts: Count[] = [
  await checked('formatting and lint', bin('biome'), ['check', '.']),
  await checked('floors', bin('depcruise'), ['src', '--output-type', 'err']),
  await vitestCounted('unit'),
];
ensureDebianPackage('mariadb-server', '/usr/sbin/mariadbd');
const types = checked('types', bin('astro'), ['check', '--minimumFailingSeverity', 'warning'], true);
counts.push(await vitestCounted('database'), await types);
await ensureBuilt();
const fuzz = scriptChecked('fuzz', 'fuzz', true);
counts.push(
  await scriptChecked('two processes on one database', 'processes'),
  await scriptChecked('two Galera nodes', 'cluster'),
  await fuzz,
);
ensureDebianPackage('chromium', CHROMIUM);
ensureDebianPackage('nginx-light', '/usr/sbin/nginx');
ensureDebianPackage('libnss3-tools', '/usr/bin/certutil');
counts.push(await scriptChecked('faults', 'faults'), await browserCounted());

for (const failure of counts.flatMap(({ failures }) => failures)) console.log(`\n✘ ${failure}`);
const passed = counts.reduce((sum, count) => sum + count.passed, 0);
const failed = counts.reduce((sum, count) => sum + count.failed, 0);
console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
