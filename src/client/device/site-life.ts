import { type Store, storeOf } from '../store.ts';

const KEY = 'jentik-site-life';

const kept = (): string | null => {
  try {
    return localStorage.getItem(KEY);
  } catch {
    // A browser that keeps nothing knows of no life before.
    return null;
  }
};

const store = storeOf(false);

/** Takes from an answer which life of the site it is of: another one begins when a site is restored from a backup. */
export const noteSiteLife = (life: string | null): void => {
  if (life === null) return;
  const before = kept();
  if (before !== null && before !== life) store.change(true);
  if (before === null) keepSiteLife(life);
  current = life;
};

let current: string | null = null;

const keepSiteLife = (life: string): void => {
  try {
    localStorage.setItem(KEY, life);
  } catch {
    // Then it is asked again.
  }
};

/** Whether the site was restored since this device last compared what it holds with what the site has. */
export const siteWasRestored: Store<boolean> = { snapshot: store.snapshot, subscribe: store.subscribe };

/** Says that what this device holds was compared and dealt with. */
export const siteLifeSettled = (): void => {
  if (current !== null) keepSiteLife(current);
  store.change(false);
};
