import { spawnSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, expect, test } from 'vitest';
import { inProject } from '../../scripts/site/paths.ts';

let folder: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'full disk '));
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

/** Runs a line of a program in a process whose files may be no longer than 4 KiB: what goes beyond is written in part, then refused, as on a disk that is
 *  filling up. */
const onFullDisk = (line: string, path: string): string => {
  const program = `const { writeWhole } = await import('#server/whole-file.ts');
const { appendWitness } = await import('#server/sealing/witness-file.ts');
try { ${line} } catch (error) { console.log(error.code); }`;
  const { stdout, stderr } = spawnSync(
    'bash',
    [
      '-c',
      'ulimit -f 4; exec "$0" --import tsx --input-type=module --eval "$1" "$2"',
      process.execPath,
      program,
      path,
    ],
    { cwd: inProject(), env: { ...process.env, JENTIK_WITNESS: path }, encoding: 'utf8' },
  );
  return stdout.trim() || stderr;
};

test('a small file that does not fit leaves the one that was there', () => {
  const path = join(folder, 'keys.json');
  writeFileSync(path, 'the keys that seal');
  expect(onFullDisk("writeWhole(process.argv[1], 'x'.repeat(9000));", path)).toBe('EFBIG');
  expect(readFileSync(path, 'utf8')).toBe('the keys that seal');
  expect(readdirSync(folder)).toEqual(['keys.json']);
});

test('a line that does not fit is no line of the witness file, and what was there stays', () => {
  const path = join(folder, 'witness.ndjson');
  expect(onFullDisk("appendWitness(process.argv[1], 'x'.repeat(9000));", path)).toBe('EFBIG');
  expect(readFileSync(path, 'utf8')).toBe('');
});
