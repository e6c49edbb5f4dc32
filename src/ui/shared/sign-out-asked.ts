import { forgetPages } from '#client/offline/pages.ts';

const UNHEARD_MS = 4_000;

/** What a press on "Sign out" does, before anything of the page has come alive: it asks the site, and goes to the sign-in once that has heard. Without a connection it
 *  says so, for then nobody is signed out, and nobody could sign in again. Every page has this: it asks without the schemas of the interface. */
export const startSignOut = (): void =>
  window.addEventListener('click', ({ target }) => {
    const button = target instanceof Element && target.closest('[data-asks=sign-out]');
    if (!(button instanceof HTMLElement)) return;
    // Beside its icon, where it has one.
    const words = button.querySelector('[data-says]') ?? button;
    const before = words.textContent;
    const isHeard = fetch('/api/v1/sessions', { method: 'DELETE' }).then(
      ({ ok }) => ok,
      () => false,
    );
    void isHeard.then(async (isOut) => {
      if (isOut) {
        await forgetPages();
        window.location.assign('/sign-in');
        return;
      }
      words.textContent = 'No connection';
      setTimeout(() => {
        words.textContent = before;
      }, UNHEARD_MS);
    });
  });
