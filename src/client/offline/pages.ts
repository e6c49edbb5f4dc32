import { PAGES_PREFIX } from './names.ts';

const pagesNames = async (): Promise<readonly string[]> =>
  'caches' in globalThis ? (await caches.keys()).filter((name) => name.startsWith(PAGES_PREFIX)) : [];

/** Lets go of every page that is kept: they show what the person who was signed in might see. Never throws. */
export const forgetPages = async (): Promise<void> => {
  try {
    await Promise.all((await pagesNames()).map((name) => caches.delete(name)));
  } catch {
    // A browser that gives no caches out keeps no pages either.
  }
};

/** The addresses of a job's pages. */
const jobPages = (job: string): readonly string[] => [
  '/jobs',
  ...['bench', 'plan', 'sign'].map((tab) => `/jobs/${job}/${tab}`),
];

/** Keeps the pages of a job that are not kept yet, so that each opens without the site. Answers whether all of them are, once there is a worker that gives them
 *  out: where there never is one, it never answers. Never throws. */
export const keepJobPages = async (job: string): Promise<boolean> => {
  try {
    if (!('serviceWorker' in navigator)) return false;
    await navigator.serviceWorker.ready;
    const [name] = await pagesNames();
    if (name === undefined) return false;
    const pages = await caches.open(name);
    for (const url of jobPages(job)) {
      if (await pages.match(url)) continue;
      const answer = await fetch(url);
      if (!answer.ok || answer.redirected) return false;
      await pages.put(url, answer);
    }
    return true;
  } catch {
    return false;
  }
};
