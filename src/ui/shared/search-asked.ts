import { storeOf } from '#client/store.ts';
import { isTyping } from './drawer-keys.ts';

/** Whether the search over everything was asked for, and what was typed before its field had the focus. */
type SearchAsked = { readonly isOpen: boolean; readonly typedAhead: string | null };

const CLOSED: SearchAsked = { isOpen: false, typedAhead: null };

/** The search as the keys and its button asked for it. */
export const searchAsked = storeOf(CLOSED);

const openSearch = (): void => searchAsked.change({ isOpen: true, typedAhead: '' });

export const closeSearch = (): void => searchAsked.change(CLOSED);

/** What was typed until now; from here on the search's own field hears the keys. */
export const takeTypedAhead = (): string => {
  const { typedAhead } = searchAsked.snapshot();
  if (typedAhead !== null) searchAsked.change({ isOpen: true, typedAhead: null });
  return typedAhead ?? '';
};

/** `/` asks for the search wherever one is, and so does its button, before anything of the page has come alive. Nobody waits for a sheet to load before they type: until
 *  its field has the focus, what is typed is kept for it and means nothing to the page below. */
export const startSearch = (): void => {
  const onKey = (event: KeyboardEvent): void => {
    if (isTyping(event) || event.ctrlKey || event.metaKey || event.altKey) return;
    const { typedAhead } = searchAsked.snapshot();
    if (typedAhead !== null) {
      if (event.key.length !== 1) return;
      searchAsked.change({ isOpen: true, typedAhead: typedAhead + event.key });
    } else {
      if (event.key !== '/' || document.querySelector('[role=dialog]')) return;
      openSearch();
    }
    event.preventDefault();
    event.stopImmediatePropagation();
  };
  window.addEventListener('keydown', onKey, true);
  window.addEventListener('click', ({ target }) => {
    if (target instanceof Element && target.closest('[data-asks=search]')) openSearch();
  });
};
