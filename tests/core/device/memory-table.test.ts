import { describe, expect, test } from 'vitest';
import {
  dayOrderOf,
  MEMORY_MOST_ROWS,
  type MemoryMapping,
  memoryReadings,
  memoryTable,
  suggestedMapping,
} from '#core/device/memory-table.ts';
import { valueOrThrow } from '#core/fault.ts';

const read = (text: string, change: Partial<MemoryMapping> = {}) => {
  const table = valueOrThrow(memoryTable(text));
  return memoryReadings(table, { ...suggestedMapping(table, 0), ...change });
};
const code = (text: string) => {
  const table = memoryTable(text);
  return table.ok ? null : table.refusal.code;
};

describe('the memory of a tool as CSV', () => {
  test.each([
    [
      'No,Date,Time,Torque (N·m),Angle\n7,2026-11-20,08:15:02,2.05,30\n',
      7,
      '2026-11-20T08:15:02.000Z',
      '2.05',
      'N.m',
    ],
    [
      'id;timestamp;peak;unit\r\n9;20.11.2026 08:15:02,250;18,4;lbf.in\r\n',
      9,
      '2026-11-20T08:15:02.250Z',
      '18.4',
      'lbf.in',
    ],
    [
      'Record\tDate/Time\tResult\tUnit\n3\t11/20/2026 8:15:02 PM\t18.4\tin-lb\n',
      3,
      '2026-11-20T20:15:02.000Z',
      '18.4',
      'lbf.in',
    ],
    [
      '\uFEFF"number","at","reading","unit"\n"1","2026-11-20T08:15:02+08:00","4.00","Nm"\n',
      1,
      '2026-11-20T00:15:02.000Z',
      '4.00',
      'N.m',
    ],
  ])('%# is read with no more than what it says', (text, number, at, torque, unit) => {
    const { readings, faults } = read(text);
    expect(faults).toEqual([]);
    expect(readings).toHaveLength(1);
    expect(readings[0]).toMatchObject({ number, text: torque, unit });
    expect(new Date(readings[0]?.at ?? 0).toISOString()).toBe(at);
  });

  test('the clock on the wall is told from UTC by what it is ahead', () => {
    const { readings } = read('time,torque Nm\n2026-11-20 08:15:02,2\n', { aheadMinutes: 480 });
    expect(new Date(readings[0]?.at ?? 0).toISOString()).toBe('2026-11-20T00:15:02.000Z');
  });

  test('a unit may stand behind its number, and an angle that can’t be read is not dropped without a word', () => {
    const text = [
      'time,peak,angle',
      '2026-11-20 08:15:02,9.05 N·m,88°',
      '2026-11-20 08:15:22,"80,5 in-lb","30,5"',
      '2026-11-20 08:15:42,9 Nm,',
      '2026-11-20 08:16:02,9 Nm,9o',
      '2026-11-20 08:16:22,9,90',
    ].join('\n');
    const { readings, faults } = read(text);
    expect(readings).toMatchObject([
      { text: '9.05', unit: 'N.m', angleDegrees: 88 },
      { text: '80.5', unit: 'lbf.in', angleDegrees: 30.5 },
      { text: '9', unit: 'N.m', angleDegrees: null },
    ]);
    expect(faults).toMatchObject([
      { line: 5, code: 'no-angle', text: '9o' },
      { line: 6, code: 'no-unit' },
    ]);
  });

  test.each([
    ['a semicolon between cells', 'time;peak Nm\n2026-11-20 08:15:02;6,377\n', ['6.377']],
    [
      'another that can’t be thousands',
      'time\tpeak Nm\n2026-11-20 08:15:02\t6,377\n2026-11-20 08:15:12\t6,38\n',
      ['6.377', '6.38'],
    ],
    [
      'a nought before it',
      'time,peak Nm\n2026-11-20 08:15:02,"0,377"\n2026-11-20 08:15:12,"6,377"\n',
      ['0.377', '6.377'],
    ],
    [
      'a point beside it: left to be looked at',
      'time;peak Nm\n2026-11-20 08:15:02;6,377\n2026-11-20 08:15:12;6.38\n',
      ['6.38'],
    ],
    ['nothing: left to be looked at', 'time,peak Nm\n2026-11-20 08:15:02,"6,377"\n', []],
  ])('a comma before three digits is a decimal comma by %s', (_, text, torques) => {
    expect(read(text).readings.map((each) => each.text)).toEqual(torques);
  });

  test('days that may be either way round are asked about, and not guessed', () => {
    expect(dayOrderOf(['03/04/2026 08:00', '05/06/2026'])).toBeNull();
    expect(dayOrderOf(['03/04/2026', '13/04/2026'])).toBe('day-month-year');
    expect(dayOrderOf(['03/04/2026', '04/13/2026'])).toBe('month-day-year');
    const text = 'time,torque Nm\n03/04/2026 08:00:00,2\n';
    expect(read(text).faults).toMatchObject([{ line: 2, code: 'no-time' }]);
    expect(read(text, { dayOrder: 'day-month-year' }).readings).toHaveLength(1);
  });

  test('lines are told why they are not read, by their number in the file', () => {
    const text = [
      'no,time,torque,unit',
      '1,2026-02-30 08:00:00,2,Nm',
      '2,2026-02-20 25:00:00,2,Nm',
      '3,soon,2,Nm',
      '4,2026-02-20 08:00:00,,Nm',
      '5,2026-02-20 08:00:00,-2,Nm',
      '6,2026-02-20 08:00:00,OL,Nm',
      '7,2026-02-20 08:00:00,2,pounds',
      '8,2026-02-20 08:00:01,2,Nm',
      '8,2026-02-20 08:00:01,2,Nm',
      '9,2026-02-20 08:00:01,2,Nm',
      '10,2026-02-20 13:00:01 pm,2,Nm',
      '11,2026-02-20 08:00:02,2 in-lb,Nm',
      '12,2026-02-20 08:00:03,2 furlongs,Nm',
    ].join('\n');
    const { readings, faults } = read(text);
    expect(faults.map(({ line, code: why }) => [line, why])).toEqual([
      [2, 'no-time'],
      [3, 'no-time'],
      [4, 'no-time'],
      [5, 'no-torque'],
      [6, 'no-torque'],
      [7, 'no-torque'],
      [8, 'no-unit'],
      [10, 'doubled'],
      [12, 'no-time'],
      [13, 'no-unit'],
      [14, 'no-unit'],
    ]);
    expect(readings.map(({ number }) => number)).toEqual([8, 9]);
  });

  test('what is no memory says so', () => {
    expect(code('')).toBe('memory-empty');
    expect(code('time,torque\n')).toBe('memory-empty');
    expect(code('one column\n5\n')).toBe('memory-empty');
    expect(code('time,torque,torque\n1,2,3\n')).toBe('memory-columns-repeated');
    expect(code(`a,b\n${'1,2\n'.repeat(MEMORY_MOST_ROWS + 1)}`)).toBe('memory-too-large');
  });
});
