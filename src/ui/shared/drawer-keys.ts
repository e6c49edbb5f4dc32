const DRAWER_KEYS: Readonly<Record<string, string>> = {
  p: '/specs',
  t: '/tools',
  j: '/jobs',
  s: '/sums',
  ',': '/settings',
};
const SECOND_KEY_MS = 1_500;

/** Whether a key press belongs to something one types into. */
export const isTyping = (event: KeyboardEvent): boolean =>
  event.target instanceof HTMLElement &&
  (event.target.isContentEditable || /^(?:INPUT|TEXTAREA|SELECT)$/.test(event.target.tagName));

/** `g` then a letter opens a drawer. The time between them is the hand's: a slow page hears of both later. */
export const startDrawerKeys = (): void => {
  let goneAt = Number.NEGATIVE_INFINITY;
  const onKey = (event: KeyboardEvent): void => {
    if (isTyping(event) || event.ctrlKey || event.metaKey || event.altKey) return;
    const address = event.timeStamp - goneAt < SECOND_KEY_MS ? DRAWER_KEYS[event.key] : undefined;
    goneAt = event.key === 'g' ? event.timeStamp : Number.NEGATIVE_INFINITY;
    if (address) window.location.assign(address);
  };
  window.addEventListener('keydown', onKey);
};
