import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { valueOrThrow } from '#core/fault.ts';
import { eventsResponse } from '#server/http/endpoint.ts';
import { signedIn, signedInBy, signOut } from '#server/services/session.ts';
import { KNOCK, person } from './sample-site.ts';

beforeEach(() => vi.useFakeTimers({ toFake: ['performance'] }));
afterEach(() => vi.useRealTimers());

/** Readings without an end, and whether they have been ended. */
const readings = () => {
  const state = { isEnded: false };
  const values = (async function* () {
    try {
      for (let id = 1; ; id += 1) yield { id: String(id), line: 'R' };
    } finally {
      state.isEnded = true;
    }
  })();
  return { values, state };
};

describe('what goes on for long', () => {
  test('ends within seconds after whoever listens was signed out, and its source with it', async () => {
    const member = await person('Tam');
    const { token } = valueOrThrow(await signedIn(member.id, '730194', KNOCK));
    const { values, state } = readings();
    const response = eventsResponse(values, async () => (await signedInBy(token)) !== null);
    const reader = response.body?.pipeThrough(new TextDecoderStream()).getReader();
    const next = async () => (await reader?.read()) ?? { done: true, value: undefined };
    expect((await next()).value).toBe(': listening\n\n');
    for (const id of [1, 2, 3]) {
      vi.advanceTimersByTime(6_000);
      expect((await next()).value).toContain(`id: ${id}\n`);
    }
    await signOut(token);
    vi.advanceTimersByTime(6_000);
    let last = await next();
    // What was read ahead before the session ended is on its way already.
    for (let ahead = 0; !last.done && ahead < 5; ahead += 1) last = await next();
    expect(last.done).toBe(true);
    expect(state.isEnded).toBe(true);
  });
});
