const DOUBT = '[data-doubt] input';

/** Leads on from a doubt that was settled: to the one that takes its place, else to the one before it; where none is left, to what sends the list. */
export const focusNextDoubt = (from: Element): void => {
  const index = [...document.querySelectorAll(DOUBT)].findIndex((each) => from.contains(each));
  // The list is read again and drawn first.
  setTimeout(() => {
    const left = [...document.querySelectorAll<HTMLElement>(DOUBT)];
    const next = left[Math.min(index, left.length - 1)];
    (next ?? document.querySelector<HTMLElement>('button[type=submit]:enabled'))?.focus();
  });
};
