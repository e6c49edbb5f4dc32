import 'fake-indexeddb/auto';
import { afterEach, beforeEach, vi } from 'vitest';

/** What a store of the browser needs of it: a database (a stand-in from the registry), a place for small texts, a page, and news between tabs. */
export const inABrowser = (): void => {
  beforeEach(() => {
    const kept = new Map<string, string>();
    vi.stubGlobal('localStorage', {
      getItem: (key: string) => kept.get(key) ?? null,
      setItem: (key: string, value: string) => void kept.set(key, value),
      removeItem: (key: string) => void kept.delete(key),
    });
    vi.stubGlobal('window', new EventTarget());
    // A page without locks, as over plain http.
    vi.stubGlobal('navigator', {});
    vi.stubGlobal(
      'BroadcastChannel',
      class {
        onmessage = null;
        postMessage(): void {
          // No other tab listens here.
        }
      },
    );
  });
  afterEach(() => {
    vi.unstubAllGlobals();
    vi.restoreAllMocks();
  });
};

/** A site that answers with what a test says, and remembers what it was asked. */
export const siteAnswering = (
  answer: (
    path: string,
    body: unknown,
  ) => { readonly status: number; readonly body: unknown } | 'no-connection',
): readonly { readonly path: string; readonly body: unknown }[] => {
  const asked: { path: string; body: unknown }[] = [];
  vi.stubGlobal('fetch', async (path: string, init?: { body?: string }) => {
    const body: unknown = init?.body === undefined ? undefined : JSON.parse(init.body);
    asked.push({ path, body });
    const said = answer(path, body);
    if (said === 'no-connection') throw new TypeError('failed to fetch');
    return new Response(JSON.stringify(said.body), {
      status: said.status,
      headers: { 'content-type': 'application/json', date: new Date().toUTCString() },
    });
  });
  return asked;
};
