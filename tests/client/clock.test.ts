import { describe, expect, test, vi } from 'vitest';
import { minutesOff, noteSiteTime, onClockChange } from '#client/device/clock.ts';

const siteIs = (millisecondsBehind: number): void =>
  noteSiteTime(new Date(Date.now() - millisecondsBehind).toISOString());

describe('how far this device’s clock is off', () => {
  test.each([
    ['right', 0, 0],
    ['just under two minutes fast', 118_000, 0],
    ['just over two minutes fast', 122_000, 2],
    ['an hour slow', -3_600_000, -60],
  ])('%s', (_, ahead, minutes) => {
    siteIs(ahead);
    expect(minutesOff()).toBe(minutes);
  });

  test('is told when it changes, and only then', () => {
    siteIs(0);
    const told = vi.fn();
    const stop = onClockChange(told);
    siteIs(600_000);
    siteIs(600_000);
    expect(told).toHaveBeenCalledTimes(1);
    siteIs(0);
    expect(told).toHaveBeenCalledTimes(2);
    stop();
    siteIs(600_000);
    expect(told).toHaveBeenCalledTimes(2);
    siteIs(0);
  });

  test('an answer without a time, or with one nobody can read, says nothing', () => {
    siteIs(600_000);
    noteSiteTime(null);
    noteSiteTime('soon');
    expect(minutesOff()).toBe(10);
    siteIs(0);
  });
});
