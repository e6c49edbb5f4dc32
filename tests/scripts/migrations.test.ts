import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { inProject } from '../../scripts/site/paths.ts';

const folder = inProject('db', 'migrations');
const landed = new Map(
  readFileSync(`${folder}/landed.sha256`, 'utf8')
    .trim()
    .split('\n')
    .map((line) => line.split(/\s+/).reverse() as [string, string]),
);
const names = readdirSync(folder).filter((name) => name.endsWith('.sql'));

describe('migrations', () => {
  test.each([...landed])('%s is what it was when it landed', (name, sha256) => {
    const text = readFileSync(`${folder}/${name}`);
    expect(createHash('sha256').update(text).digest('hex')).toBe(sha256);
  });

  test('a new one is written down in landed.sha256 with the commit that lands it', () => {
    expect([...names].sort()).toEqual([...landed.keys()].sort());
  });

  test('each has a number of its own, without gaps', () => {
    const numbers = names.map((name) => Number(name.slice(0, 4))).sort((a, b) => a - b);
    expect(numbers).toEqual(numbers.map((_, index) => index + 1));
  });

  test('each is one statement', () => {
    for (const name of names) {
      const sql = readFileSync(`${folder}/${name}`, 'utf8').replace(/^--.*$/gm, '');
      expect([name, sql.split(';').filter((part) => part.trim() !== '').length]).toEqual([name, 1]);
    }
  });
});
