import { expect, test } from 'vitest';
import { toNewtonMetres } from '#core/quantity/unit.ts';
import type { RecalledFastener } from '#core/view/recalled-fasteners.ts';
import { alikeRecalled } from '#wire/words/recall.ts';

const inPounds = (value: number): number => toNewtonMetres(value, 'lbf.in');
const fastener = (position: string, change: Partial<RecalledFastener> = {}): RecalledFastener => ({
  position,
  pulledAt: null,
  was: 'in',
  would: 'high',
  recordedNewtonMetres: inPounds(21.5),
  lowNewtonMetres: inPounds(15),
  highNewtonMetres: inPounds(18),
  outsidePercent: (21.5 / 18 - 1) * 100,
  ...change,
});

test('400 fasteners that stand alike are said once, in the unit their source prints', () => {
  const many = Array.from({ length: 400 }, (_, index) => fastener(`X-${index}`));
  const alike = alikeRecalled([...many, fastener('Y-1', { recordedNewtonMetres: null })], 'lbf.in');
  const [[words, positions] = ['', []], [other] = ['']] = [...alike];
  expect(words).toBe('was in at 21.5 lbf·in; accepted now 15 lbf·in to 18 lbf·in: above, 19.4 % outside');
  expect([positions.length, positions[0], positions.at(-1)]).toEqual([400, 'X-0', 'X-399']);
  expect(other).toContain('was in at no reading');
});

test('where nothing is in force it says so', () => {
  const withdrawn = fastener('X-1', { would: 'no-verdict', lowNewtonMetres: null, highNewtonMetres: null });
  expect([...alikeRecalled([withdrawn], 'N.m').keys()]).toEqual([
    'was in at 2.43 N·m; nothing in force says what it should be',
  ]);
});
