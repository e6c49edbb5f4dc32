import type { WorkboxPlugin } from 'workbox-core/types.js';
import { ExpirationPlugin } from 'workbox-expiration';
import { matchPrecache, precacheAndRoute } from 'workbox-precaching';
import { NavigationRoute, registerRoute, setCatchHandler } from 'workbox-routing';
import { CacheFirst, NetworkFirst } from 'workbox-strategies';
import { BEGIN_WITH_NEW, OFFLINE_PAGE, PAGES_PREFIX } from './names.ts';

// What stands between every page and the network, and answers where there is none. Built by scripts/site/offline-build, which puts in what is precached.

declare const PRECACHED: readonly { readonly url: string; readonly revision: string | null }[];
declare const BUILD: string;

type Waiting = Event & { readonly waitUntil: (work: Promise<unknown>) => void };
type Worker = typeof globalThis & {
  readonly skipWaiting: () => Promise<void>;
  readonly clients: { readonly claim: () => Promise<void> };
};
const worker = globalThis as Worker;

const PAGES = `${PAGES_PREFIX}${BUILD}`;
/** How long the site may take over a page that this device has: in a cellar a network hangs more often than it fails. */
const PATIENCE_SECONDS = 3;
const MOST_PAGES = 120;
const MOST_LARGE = 12;

/** Keeps so many of a cache, those used last, and nothing but what is whole. */
const most = (maxEntries: number): WorkboxPlugin => {
  const expiring = new ExpirationPlugin({ maxEntries });
  return {
    cacheWillUpdate: async ({ response }) =>
      response.status === 200 && !response.redirected ? response : null,
    cacheDidUpdate: async (update) => expiring.cacheDidUpdate?.(update),
  };
};

precacheAndRoute([...PRECACHED]);

// The files that are too large for everybody, each from the first time somebody needed it.
registerRoute(
  ({ url }) => url.pathname.startsWith('/_astro/'),
  new CacheFirst({ cacheName: 'jentik-large', plugins: [most(MOST_LARGE)] }),
);

// A page is the site's where it answers, else as it was when it was opened last.
registerRoute(
  new NavigationRoute(
    new NetworkFirst({
      cacheName: PAGES,
      networkTimeoutSeconds: PATIENCE_SECONDS,
      plugins: [most(MOST_PAGES)],
    }),
    { denylist: [/^\/api\//, /^\/sign-in/, /^\/first-run/, /^\/join/] },
  ),
);
setCatchHandler(async ({ request }) => {
  const page = request.mode === 'navigate' ? await matchPrecache(OFFLINE_PAGE) : undefined;
  return page ?? Response.error();
});

/** Takes every page that is kept over into the new build's cache, as that build makes it: kept as it is, it would ask for files that are gone. Throws
 *  where the site does not give one: then the build before stays until it does. */
const takeOver = async (): Promise<void> => {
  const names = (await caches.keys()).filter((name) => name.startsWith(PAGES_PREFIX) && name !== PAGES);
  const kept = await Promise.all(names.map(async (name) => (await caches.open(name)).keys()));
  const pages = await caches.open(PAGES);
  for (const url of new Set(kept.flat().map((request) => request.url))) {
    const answer = await fetch(url);
    // What is no longer there is let go of; nobody signed in says nothing about the page.
    if (answer.redirected || answer.status >= 500) throw new Error(`${url} can't be taken over`);
    if (answer.ok) await pages.put(url, answer);
  }
};

const forgetOldPages = async (): Promise<void> => {
  const names = await caches.keys();
  await Promise.all(
    names
      .filter((name) => name.startsWith(PAGES_PREFIX) && name !== PAGES)
      .map((name) => caches.delete(name)),
  );
};

worker.addEventListener('install', (event) => (event as Waiting).waitUntil(takeOver()));
worker.addEventListener('activate', (event) =>
  (event as Waiting).waitUntil(Promise.all([forgetOldPages(), worker.clients.claim()])),
);
worker.addEventListener('message', (event) => {
  if ((event as MessageEvent).data === BEGIN_WITH_NEW) void worker.skipWaiting();
});
