import { expect, test, vi } from 'vitest';
import { comfortStore, noComfort } from '#client/device/comfort.ts';
import { deviceId } from '#client/device/id.ts';
import { markSeen, wasSeen } from '#client/device/seen.ts';
import { inABrowser } from './browser.ts';

inABrowser();

test('what a device says aloud, and in which order it goes on, is kept on it', () => {
  expect(comfortStore().snapshot()).toEqual(noComfort());
  comfortStore().change({ tone: true });
  expect(comfortStore().snapshot()).toEqual({ tone: true, speech: false, fewest: false });
  const store = comfortStore();
  store.change({ tone: false, speech: true, fewest: true });
  expect(comfortStore().snapshot()).toEqual({ tone: false, speech: true, fewest: true });
});

test('a browser that keeps nothing still works', () => {
  vi.stubGlobal('localStorage', {
    getItem: () => {
      throw new DOMException('denied', 'SecurityError');
    },
    setItem: () => {
      throw new DOMException('denied', 'SecurityError');
    },
  });
  const store = comfortStore();
  store.change({ tone: true });
  expect(store.snapshot().tone).toBe(true);
  expect(deviceId()).toBe(deviceId());
  markSeen('a');
  expect(wasSeen('a')).toBe(false);
});
