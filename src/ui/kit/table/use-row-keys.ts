import { type KeyboardEvent, type RefObject, useState } from 'react';

const PAGE_ROWS = 10;

/** Where a key takes one from a row; null for a key that moves nowhere. */
export const rowAfter = (key: string, current: number, count: number): number | null => {
  const last = count - 1;
  switch (key) {
    case 'ArrowDown':
      return Math.min(last, current + 1);
    case 'ArrowUp':
      return Math.max(0, current - 1);
    case 'PageDown':
      return Math.min(last, current + PAGE_ROWS);
    case 'PageUp':
      return Math.max(0, current - PAGE_ROWS);
    case 'Home':
      return 0;
    case 'End':
      return last;
    default:
      return null;
  }
};

const rowElement = (frame: HTMLElement | null, index: number): HTMLElement | null =>
  frame?.querySelector<HTMLElement>(`tr[data-index="${index}"]`) ?? null;

/** Arrows walk the rows of a list, Enter does the first thing that the row offers. */
export const useRowKeys = (
  count: number,
  frame: RefObject<HTMLElement | null>,
  scrollTo: (index: number) => void,
) => {
  const [current, setCurrent] = useState(0);
  const onKey = (event: KeyboardEvent): void => {
    const target = event.target instanceof HTMLElement ? event.target : null;
    // What one types in keeps its arrows.
    if (!target || /^(?:INPUT|SELECT|TEXTAREA)$/.test(target.tagName)) return;
    const row = target.closest<HTMLElement>('tr[data-index]');
    if (event.key === 'Enter' && target === row) {
      row.querySelector<HTMLElement>('a, button')?.click();
      return;
    }
    const from = row ? Number(row.dataset['index']) : -1;
    const next = count === 0 ? null : rowAfter(event.key, from, count);
    if (next === null) return;
    event.preventDefault();
    setCurrent(next);
    scrollTo(next);
    const drawn = rowElement(frame.current, next);
    if (drawn) drawn.focus();
    // A row far away is drawn only after the list has scrolled to it.
    else requestAnimationFrame(() => requestAnimationFrame(() => rowElement(frame.current, next)?.focus()));
  };
  return { current: Math.min(current, Math.max(0, count - 1)), onKey };
};
