import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { type DeviceNews, type DeviceReading, deviceFeed } from '#core/device/device-feed.ts';
import { LINE_MAX_LENGTH } from '#core/device/device-line.ts';
import { curveOf } from '../trace/curves.ts';

const W = 'BL-E001';
const hello = (number = 0, at = 0) => ({ kind: 'hello', device: W, number, at, is: 'wrench', unit: 'N.m' });
const peak = (number: number, value: number, more: object = {}) => ({
  kind: 'peak',
  device: W,
  number,
  at: number * 1_000,
  unit: 'N.m',
  peak: value,
  ...more,
});
/** A curve as a device sends it: parts of twenty points, then its end. */
const curve = (number: number, points: readonly (readonly number[])[], more: object = {}) => {
  const parts: object[] = [];
  for (let at = 0; at < points.length; at += 20)
    parts.push({
      kind: 'points',
      device: W,
      number,
      at: number * 1_000 + at,
      unit: 'N.m',
      part: at / 20,
      points: points.slice(at, at + 20),
      ...more,
    });
  return [
    ...parts,
    { kind: 'end', device: W, number, at: number * 1_000 + points.length, parts: parts.length },
  ];
};
const ramp = (to: number, ms = 800): readonly (readonly number[])[] =>
  Array.from({ length: ms + 60 }, (_, t) => [
    t,
    t <= ms ? (to * t) / ms : Math.max(0, to * (1 - (t - ms) / 50)),
  ]);

/** Everything a feed says of lines that arrive when their device sends them. */
const fed = (lines: readonly (object | string)[], feed = deviceFeed()): readonly DeviceNews[] =>
  lines.flatMap((line) => {
    const text = typeof line === 'string' ? line : JSON.stringify(line);
    return feed.take(text, typeof line === 'string' ? 0 : ((line as { at?: number }).at ?? 0));
  });
const pulls = (news: readonly DeviceNews[]): readonly DeviceReading[] =>
  news.flatMap((each) => (each.kind === 'pull' ? [each.reading] : []));
const codes = (news: readonly DeviceNews[]) =>
  news.flatMap((each) => (each.kind === 'trouble' ? [each.trouble.code] : []));

describe('what a device says', () => {
  test('a peak is a reading, in the digits and the unit that it shows', () => {
    const news = fed([hello(), peak(1, 2.05, { unit: 'in-lb', job: '0007', angle: 30 })]);
    expect(pulls(news)).toMatchObject([
      {
        device: W,
        number: 1,
        peak: { text: '2.05', unit: 'lbf.in' },
        job: '0007',
        angleDegrees: 30,
        curve: null,
      },
    ]);
    expect(codes(news)).toEqual([]);
  });

  test('a curve is a reading once it is over, with its click, its rise and its overshoot', () => {
    const made = curveOf('adjustable-click-wrench', { target: 20, riseMs: 2_000, noise: 0.001, seed: 7 });
    const points = made.times.map((time, at) => [time, made.torques[at] as number]);
    const feed = deviceFeed();
    const parts = curve(1, points);
    expect(fed([hello(), ...parts.slice(0, 20)], feed)).toEqual([]);
    expect(feed.devices()[0]?.live?.times).toHaveLength(400);
    const [reading] = pulls(fed(parts.slice(20), feed));
    expect(feed.devices()[0]?.live).toBeNull();
    expect(reading?.peak.value).toBeCloseTo(made.peakNm, 1);
    expect(reading?.curve?.clickNewtonMetres).toBeCloseTo(made.clickNm as number, 0);
    expect(Math.abs((reading?.curve?.clickAtMs ?? 0) - (made.clickMs as number))).toBeLessThan(10);
    expect(reading?.curve?.lastFifthSeconds).toBeCloseTo(0.4, 1);
  });

  test('a unit of the tool’s own is kept as it shows it; one that nobody knows, or that may be two, gives no reading', () => {
    const inches = fed(curve(1, ramp(20), { unit: 'lbf.in' }));
    expect(pulls(inches)[0]?.peak).toMatchObject({ text: '20', unit: 'lbf.in' });
    expect(pulls(inches)[0]?.curve?.peakNewtonMetres).toBeCloseTo(2.2597, 3);
    for (const unit of ['', 'pounds', 'furlong', 'Nm/ft-lb']) {
      const news = fed([peak(1, 5, { unit }), ...curve(2, ramp(5), { unit })]);
      expect(pulls(news)).toEqual([]);
      expect(codes(news)).toContain('unit-unknown');
    }
  });

  test('a line twice counts once; readings that never came are counted', () => {
    const news = fed([peak(1, 5), peak(1, 5), ...curve(2, ramp(5)), ...curve(2, ramp(5)), peak(6, 5)]);
    expect(pulls(news).map(({ number }) => number)).toEqual([1, 2, 6]);
    expect(new Set(codes(news))).toEqual(new Set(['doubled', 'lost']));
    expect(news).toContainEqual({ kind: 'trouble', trouble: { code: 'lost', device: W, count: 3 } });
  });

  test('a curve with a part missing, or cut off, is torn and no reading', () => {
    const whole = curve(1, ramp(5));
    for (const lines of [
      whole.filter((_, at) => at !== 3),
      [...whole.slice(0, 5), ...curve(2, ramp(5)).slice(0, 1)],
      whole.slice(-1),
      [...whole.slice(0, 10), peak(2, 5)],
    ])
      expect(codes(fed(lines))).toContain('torn');
    expect(pulls(fed(whole.filter((_, at) => at !== 3)))).toEqual([]);
    const feed = deviceFeed();
    fed(whole.slice(0, 10), feed);
    expect(codes(feed.cut())).toEqual(['torn']);
    // What comes of it after that is no new reading.
    expect(pulls(fed(whole.slice(10), feed))).toEqual([]);
    expect(pulls(fed([peak(2, 5)], feed))).toHaveLength(1);
  });

  test('a clock that jumps takes the times and leaves the torque', () => {
    const back = ramp(5).map(([ms, torque], at) => [
      at > 400 ? (ms as number) - 5_000 : (ms as number),
      torque as number,
    ]);
    const news = fed(curve(1, back));
    expect(pulls(news)).toMatchObject([{ peak: { text: '5' }, curve: null }]);
    expect(codes(news)).toEqual(['clock-jumped']);
    const feed = deviceFeed();
    feed.take(JSON.stringify(peak(1, 5, { at: 1_000 })), 1_000);
    expect(codes(feed.take(JSON.stringify(peak(2, 5, { at: 3_602_000 })), 2_000))).toEqual(['clock-jumped']);
    expect(codes(feed.take(JSON.stringify(peak(3, 5, { at: 3_603_000 })), 3_000))).toEqual([]);
  });

  test('a device that was started again counts anew; what it sent while nobody listened is lost, and said so', () => {
    const feed = deviceFeed();
    fed([hello(), peak(1, 5), peak(2, 5)], feed);
    expect(pulls(fed([hello(0), peak(1, 7)], feed)).map(({ peak: { value } }) => value)).toEqual([7]);
    expect(fed([hello(4)], feed)).toEqual([
      { kind: 'trouble', trouble: { code: 'lost', device: W, count: 3 } },
    ]);
  });

  test.each([
    'x',
    '{}',
    '[]',
    'null',
    '{"kind":"peak"}',
    JSON.stringify(peak(1, -5)),
    JSON.stringify(peak(1, Number.NaN)),
    JSON.stringify(peak(-1, 5)),
    JSON.stringify({ ...peak(1, 5), device: '' }),
    JSON.stringify({ ...peak(1, 5), peak: '5' }),
    JSON.stringify({ ...peak(1, 5), peak: 1e300 }),
    JSON.stringify(peak(1, 5)).slice(0, -4),
    ' '.repeat(LINE_MAX_LENGTH) + JSON.stringify(peak(1, 5)),
    JSON.stringify({ ...curve(1, ramp(5))[0], points: [] }),
    JSON.stringify({ ...curve(1, ramp(5))[0], points: [[0]] }),
    JSON.stringify({ kind: 'level', device: 'T', number: 1, at: 0, unit: 'K', value: 300 }),
  ])('garbage is said to be garbage: %#', (line) => {
    expect(codes(fed([line]))).toEqual(['garbage']);
  });

  test('what an indicator shows is told as it shows it', () => {
    const line = { kind: 'level', device: 'IN-1', number: 3, at: 0, unit: 'mm', value: 0.012 };
    expect(fed([line, line])).toEqual([
      { kind: 'level', device: 'IN-1', text: '0.012', unit: 'mm' },
      { kind: 'trouble', trouble: { code: 'doubled', device: 'IN-1', number: 3 } },
    ]);
  });

  test('whatever happens to the lines on their way, no reading is told twice and none that was not sent', () => {
    const sent = Array.from({ length: 6 }, (_, at) => at + 1).flatMap((number) =>
      number % 2 === 0 ? curve(number, ramp(number, 200)) : [peak(number, number)],
    );
    const harm = fc.record({
      at: fc.nat(sent.length - 1),
      what: fc.constantFrom('drop', 'double', 'cut', 'garbage', 'swap'),
    });
    fc.assert(
      fc.property(fc.array(harm, { maxLength: 12 }), (harms) => {
        let lines: (object | string)[] = [...sent];
        for (const { at, what } of harms) {
          const line = lines[at];
          if (line === undefined) continue;
          if (what === 'drop') lines = lines.filter((_, index) => index !== at);
          if (what === 'double') lines.splice(at, 0, line);
          if (what === 'cut') lines[at] = JSON.stringify(line).slice(0, 30);
          if (what === 'garbage') lines.splice(at, 0, '�');
          if (what === 'swap') lines.splice(at, 2, lines[at + 1] ?? line, line);
        }
        const told = pulls(fed(lines));
        expect(new Set(told.map(({ number }) => number)).size).toBe(told.length);
        for (const {
          number,
          peak: { value },
        } of told)
          expect(value).toBeCloseTo(number, 1);
      }),
      { numRuns: 300 },
    );
  });
});
