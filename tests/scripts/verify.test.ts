import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, test } from 'vitest';
import { jobRecord, recordText } from '#core/ledger/job-record.ts';
import { keyFingerprint, sealed } from '#core/ledger/seal.ts';
import { sealingPublicKey } from '#core/ledger/signature.ts';
import { SampleJob } from '../core/job/sample-job.ts';

const KEY = '7'.repeat(64);
const folder = mkdtempSync(join(tmpdir(), 'jentik-verify-'));
afterAll(() => rmSync(folder, { recursive: true }));

const job = new SampleJob().ready().pullAll().signBoth();
const events = job.chain();
const last = events.at(-1);
const record = recordText(
  jobRecord(
    events,
    sealed(
      {
        site: 'Test site',
        job: last?.job ?? '',
        headSequence: last?.sequence ?? 0,
        headHash: last?.hash ?? '',
        sealedAt: '2026-11-02T09:00:00.000Z',
      },
      KEY,
    ),
  ),
);

// No database and no server: the environment names none, and the command is given the file alone.
const verify = (text: string | null, ...args: readonly string[]) => {
  const file = join(folder, 'record.json');
  if (text !== null) writeFileSync(file, text);
  const run = spawnSync(
    'node',
    ['--import', 'tsx', 'scripts/verify.ts', ...(text === null ? [] : [file]), ...args],
    { encoding: 'utf8' },
  );
  return { status: run.status, said: run.stdout + run.stderr };
};

describe('npm run verify -- FILE', () => {
  const key = keyFingerprint(sealingPublicKey(KEY));

  test('a record that holds under the key one knows: exit 0, and what was checked', () => {
    const { status, said } = verify(record, '--key', key);
    expect(said).toContain('The record holds: job 0001, Sample cabinet, of Test site.');
    expect(said).toContain('done by Tam, inspected by Ines');
    expect(said).toContain(`Sealed at 2026-11-02T09:00:00.000Z by key ${key}, as you named it.`);
    expect(status).toBe(0);
  });

  test('without a key it proves integrity only, says so, and exits with a code of its own', () => {
    const { status, said } = verify(record);
    expect(said).toContain('this proves integrity only');
    expect(said).toContain(`Sealed at 2026-11-02T09:00:00.000Z by key ${key}`);
    expect(said).not.toContain('The record holds');
    expect(status).toBe(3);
  });

  test.each([
    ['in capitals', key.toUpperCase()],
    ['without dashes', key.replaceAll('-', '')],
    ['with spaces', key.replaceAll('-', ' ')],
  ])('a key is taken %s', (_, typed) => {
    expect(verify(record, '--key', typed)).toMatchObject({ status: 0 });
  });

  test('another key: exit 1, and which is which', () => {
    const { status, said } = verify(record, '--key', '0000-0000-0000-0000');
    expect(status).toBe(1);
    expect(said).toContain(`the seal is by key ${key}, not by 0000-0000-0000-0000`);
  });

  test.each([
    ['null where the events are', { ...JSON.parse(record), events: null }],
    ['null events', { ...JSON.parse(record), events: [null] }],
    ['null where the seal is', { ...JSON.parse(record), seal: null }],
    ['null where the statement is', { ...JSON.parse(record), statement: null }],
    ['an event that is a number', { ...JSON.parse(record), events: [7] }],
  ])('%s: exit 1, one line, no stack trace', (_, broken) => {
    const { status, said } = verify(recordText(broken));
    expect(status).toBe(1);
    expect(said).toMatch(/^The record does NOT hold: /);
    expect(said).not.toMatch(/\n\s+at /);
  });

  test('one digit changed: exit 1, and the first event that does not fit', () => {
    const at = record.indexOf('"reading": {', record.indexOf('"events"'));
    const digit = at + record.slice(at).search(/\d/);
    const { status, said } = verify(`${record.slice(0, digit)}9${record.slice(digit + 1)}`);
    expect(status).toBe(1);
    expect(said).toMatch(/does NOT hold: event 5 \([0-9a-f-]{36}\) does not fit the chain/);
  });

  test('no file, or one that can’t be read: exit 2, and how to call it', () => {
    expect(verify(null)).toMatchObject({ status: 2 });
    expect(verify(null, join(folder, 'missing.json')).said).toContain('Usage: npm run verify -- FILE');
  });
});
