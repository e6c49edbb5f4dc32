import { afterEach, describe, expect, test, vi } from 'vitest';
import { fewMegabytes, lookForRoom } from '#client/device/room.ts';

const deviceSays = (estimate: () => Promise<unknown>): void => {
  vi.stubGlobal('navigator', { storage: { estimate } });
};
afterEach(() => vi.unstubAllGlobals());

describe('the room on this device', () => {
  test.each([
    ['just under the limit', { quota: 149_999_999, usage: 100_000_000 }, 49],
    ['at the limit', { quota: 150_000_000, usage: 100_000_000 }, null],
    ['more than it may use', { quota: 100, usage: 200 }, 0],
    ['nothing is used', { quota: 10_000_000, usage: 0 }, 10],
  ])('%s', async (_, estimate, told) => {
    deviceSays(async () => estimate);
    await lookForRoom();
    expect(fewMegabytes.snapshot()).toBe(told);
  });

  test('a browser that does not say, or fails, changes nothing of what was said', async () => {
    deviceSays(async () => ({ quota: 30_000_000, usage: 0 }));
    await lookForRoom();
    deviceSays(async () => ({}));
    await lookForRoom();
    deviceSays(() => Promise.reject(new Error('private window')));
    await lookForRoom();
    vi.stubGlobal('navigator', {});
    await lookForRoom();
    expect(fewMegabytes.snapshot()).toBe(30);
  });
});
