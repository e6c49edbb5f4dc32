import { describe, expect, test } from 'vitest';
import { deviceFeed } from '#core/device/device-feed.ts';
import { plainReader } from '#core/device/plain-pattern.ts';
import { valueOrThrow } from '#core/fault.ts';

const TOOL = { device: 'BL-E001', unit: null };

describe('tools that print plain text', () => {
  test.each([
    ['{number};{peak};{unit}', '17;2.05;Nm', { number: 17, peak: 2.05, unit: 'Nm' }],
    ['{number}, {peak} {unit}, {angle}', ' 3,   20,5  lbf.in,  90 ', { peak: 20.5, angle: 90 }],
    ['PK {any} {peak}{unit}', 'PK #22 ch1 18.4N.m', { peak: 18.4, unit: 'N.m', number: 1 }],
    ['[{peak}] {unit}', '[-4] cN.m', { peak: -4 }],
  ])('%s reads %s', (pattern, text, expected) => {
    const line = valueOrThrow(plainReader(pattern, TOOL))(text, 5);
    expect(JSON.parse(line ?? 'null')).toMatchObject({ ...expected, kind: 'peak', device: 'BL-E001', at: 5 });
  });

  test('what it leaves out is counted and named', () => {
    const read = valueOrThrow(plainReader('{peak}', { device: 'X', unit: 'N.m' }));
    const feed = deviceFeed();
    const news = ['2.1', 'battery low', '2.2'].flatMap((text): readonly unknown[] => {
      const line = read(text, 0);
      return line === null ? [null] : feed.take(line, 0);
    });
    expect(news).toMatchObject([
      { reading: { number: 1, peak: { text: '2.1', unit: 'N.m' } } },
      null,
      { reading: { number: 2, peak: { text: '2.2' } } },
    ]);
  });

  test.each([
    ['{number};{unit}', 'pattern-without-peak'],
    ['{peak}', 'pattern-without-unit'],
    ['{peak};{torque}', 'pattern-unreadable'],
    ['{peak};{peak} {unit}', 'pattern-unreadable'],
    ['{peak} {unit', 'pattern-unreadable'],
    ['{constructor} {peak} {unit}', 'pattern-unreadable'],
    ['{any}{any}{any}{any}{peak}{unit}', 'pattern-unreadable'],
  ])('%s is refused: %s', (pattern, code) => {
    expect(plainReader(pattern, TOOL)).toMatchObject({ ok: false, refusal: { code } });
  });
});
