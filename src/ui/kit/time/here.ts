import { dayWords, siteDay, timeWords } from '#wire/site-time.ts';

// One site, one clock on its wall: the server draws every page by it, and a page carries its name for the browser.
let drawnFor = 'UTC';

/** Names the site's zone for what the server draws. */
export const drawTimesFor = (zone: string): void => {
  drawnFor = zone;
};

/** The site's time zone, on the server and in the browser. */
export const siteZone = (): string =>
  'document' in globalThis ? (document.documentElement.dataset['zone'] ?? drawnFor) : drawnFor;

/** An instant as people of the site read it. */
export const timeHere = (instant: string): string => timeWords(instant, siteZone());

/** The day of an instant at the site, in words. */
export const dayHere = (instant: string): string => dayWords(siteDay(instant, siteZone()));
