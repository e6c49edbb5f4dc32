/** Where the worker lies that answers without a network: its folder is what it answers for. */
export const WORKER_FILE = '/service-worker.js';
/** The page for an address that this device does not have, while the site can't be reached. */
export const OFFLINE_PAGE = '/offline';
/** How the caches of pages begin; the build follows. */
export const PAGES_PREFIX = 'jentik-pages-';
/** What a page says to a newer worker that waits. */
export const BEGIN_WITH_NEW = 'begin-with-new';
