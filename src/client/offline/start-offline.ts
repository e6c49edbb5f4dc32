import { type Store, storeOf } from '../store.ts';
import { BEGIN_WITH_NEW, WORKER_FILE } from './names.ts';

/** How often a page that stays open asks whether its site is newer, in milliseconds. */
const ASKED_EVERY_MS = 15 * 60_000;

const store = storeOf(false);

/** Whether the site is newer than this page. */
export const siteIsNewer: Store<boolean> = { snapshot: store.snapshot, subscribe: store.subscribe };

let waiting: ServiceWorker | null = null;
let isBeginning = false;

/** Begins with the newer page. What waits on this device is on its disk, and is read again. */
export const beginWithNewer = (): void => {
  isBeginning = true;
  if (waiting) waiting.postMessage(BEGIN_WITH_NEW);
  else window.location.reload();
};

const watch = (registration: ServiceWorkerRegistration): void => {
  const look = (): void => {
    waiting = registration.active ? registration.waiting : null;
    if (waiting) store.change(true);
  };
  look();
  // A page that has only just come has nothing in hand.
  if (waiting) beginWithNewer();
  registration.addEventListener('updatefound', () =>
    registration.installing?.addEventListener('statechange', look),
  );
  const ask = (): void => void registration.update().catch(() => {});
  setInterval(ask, ASKED_EVERY_MS);
  window.addEventListener('online', ask);
};

/** Sets up the worker that answers without a network. A browser without one, or one that refuses it, has the page all the same. */
export const startOffline = (): void => {
  if (!('serviceWorker' in navigator)) return;
  const { serviceWorker, storage } = navigator;
  const hadWorker = serviceWorker.controller !== null;
  serviceWorker.addEventListener('controllerchange', () => {
    if (isBeginning) window.location.reload();
    // Another tab began with the newer one.
    else if (hadWorker) store.change(true);
  });
  // A browser that is told to have no worker answers with none.
  serviceWorker.register(WORKER_FILE).then(
    (registration: ServiceWorkerRegistration | undefined) => registration && watch(registration),
    () => {},
  );
  // What is kept here is the record until it is sent: the browser is asked not to throw it away when space is short.
  void storage?.persist?.().catch(() => {});
};
