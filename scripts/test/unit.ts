import { spawnSync } from 'node:child_process';
import { inProject } from '../site/paths.ts';

const run = spawnSync(
  inProject('node_modules', '.bin', 'vitest'),
  ['--project', 'unit', ...process.argv.slice(2)],
  {
    cwd: inProject(),
    stdio: 'inherit',
  },
);
process.exit(run.status ?? 1);
