import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import {
  leftOver,
  NEVER_TRIED,
  type StrangerTries,
  type Tries,
  triedWrong,
  waitOfStranger,
  waitOnDevice,
} from '#core/people/guessing.ts';
import { attacked, PACES } from '../../../scripts/bench/guessing.ts';

const SECOND = 1000;
const wrongOnes = (wrong: number, lastAtMs = 0): Tries => ({ wrong, lastAtMs });
const stranger = (tries: Partial<StrangerTries>): StrangerTries => ({
  here: NEVER_TRIED,
  address: NEVER_TRIED,
  person: NEVER_TRIED,
  ...tries,
});

describe('on a device that a person has signed in on', () => {
  // 60 s after the fifth, twice as long after each more, never more than a quarter of an hour.
  test.each([
    [0, 0, 5],
    [4, 0, 1],
    [5, 60, 1],
    [6, 120, 1],
    [8, 480, 1],
    [9, 900, 1],
    [30, 900, 1],
  ])('after %i wrong ones the next waits %i s', (wrong, seconds, triesLeft) => {
    expect(waitOnDevice(wrongOnes(wrong), 0)).toEqual({ seconds, triesLeft });
  });

  test('the wait runs out', () => {
    expect(waitOnDevice(wrongOnes(5), 59.2 * SECOND).seconds).toBe(1);
    expect(waitOnDevice(wrongOnes(5), 60 * SECOND).seconds).toBe(0);
  });

  test('a clock that was set back lets nobody wait longer than that', () => {
    expect(waitOnDevice(wrongOnes(5, 1e9), 0).seconds).toBe(60);
  });
});

describe('a stranger', () => {
  test('waits at an address for one person from the fifth, and over all people from the fifteenth', () => {
    expect(waitOfStranger(stranger({ here: wrongOnes(5) }), 0).seconds).toBe(60);
    expect(waitOfStranger(stranger({ address: wrongOnes(14) }), 0)).toEqual({ seconds: 0, triesLeft: 1 });
    expect(waitOfStranger(stranger({ address: wrongOnes(15) }), 0).seconds).toBe(60);
  });

  test('each more doubles it, without end', () => {
    expect(waitOfStranger(stranger({ here: wrongOnes(25) }), 0).seconds).toBe(60 * 2 ** 20);
    expect(waitOfStranger(stranger({ here: wrongOnes(2000) }), 0).seconds).toBe(Number.MAX_SAFE_INTEGER);
  });

  test('of one person, from wherever: fifty, and six more a day', () => {
    expect(waitOfStranger(stranger({ person: wrongOnes(49) }), 0)).toEqual({ seconds: 0, triesLeft: 1 });
    expect(waitOfStranger(stranger({ person: wrongOnes(50) }), 0).seconds).toBe(4 * 3600);
    expect(waitOfStranger(stranger({ person: wrongOnes(50) }), 4 * 3600 * SECOND).seconds).toBe(0);
    expect(leftOver(wrongOnes(50), 24 * 3600 * SECOND)).toBe(44);
    expect(leftOver(wrongOnes(3), 1e12)).toBe(0);
  });
});

test('more wrong tries never shorten a wait, and time never lengthens it', () => {
  const wrong = fc.integer({ min: 0, max: 200 });
  const ms = fc.integer({ min: 0, max: 1e12 });
  fc.assert(
    fc.property(wrong, ms, ms, (count, at, later) => {
      const tries = { here: wrongOnes(count), address: wrongOnes(count), person: wrongOnes(count) };
      const more = {
        here: triedWrong(wrongOnes(count), 0),
        address: triedWrong(wrongOnes(count), 0),
        person: triedWrong(wrongOnes(count), 0),
      };
      expect(waitOfStranger(more, at).seconds).toBeGreaterThanOrEqual(waitOfStranger(tries, at).seconds);
      expect(waitOfStranger(tries, at + later).seconds).toBeLessThanOrEqual(
        waitOfStranger(tries, at).seconds,
      );
    }),
  );
});

describe('100,000 wrong PINs from one address, over all people by turns', () => {
  test.each(PACES)(
    '%s: not fifty are read, and nobody waits elsewhere or on their own device',
    (_, everyMs) => {
      const { read, newDevice, ownDevice } = attacked(everyMs, 1);
      expect(read).toBeLessThan(50);
      expect({ newDevice, ownDevice }).toEqual({ newDevice: 0, ownDevice: 0 });
    },
  );
});
