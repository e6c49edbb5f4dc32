import { useVirtualizer } from '@tanstack/react-virtual';
import { type RefObject, useCallback } from 'react';

/** A list up to here is drawn whole: the browser finds words in it, and it prints. */
const DRAWN_WHOLE_MOST = 150;
const ROW_PX = 46;
const FIRST_FRAME = { width: 900, height: 700 };

export type ShownRows = {
  /** Indexes of the rows that are drawn. */
  readonly shown: readonly number[];
  /** Heights in pixels that stand for the rows before and after them. */
  readonly before: number;
  readonly after: number;
  /** Given to each row that is drawn, so that its height is known. */
  readonly measure: ((row: HTMLElement | null) => void) | undefined;
  readonly scrollTo: (index: number) => void;
  /** Whether the list scrolls by itself, because not all of it is drawn. */
  readonly isLong: boolean;
};

/** Which of so many rows are drawn, as their frame scrolls. */
export const useShownRows = (count: number, frame: RefObject<HTMLElement | null>): ShownRows => {
  const isLong = count > DRAWN_WHOLE_MOST;
  const virtual = useVirtualizer({
    count,
    enabled: isLong,
    getScrollElement: () => frame.current,
    estimateSize: () => ROW_PX,
    initialRect: FIRST_FRAME,
    overscan: 8,
  });
  const measure = useCallback((row: HTMLElement | null) => virtual.measureElement(row), [virtual]);
  if (!isLong)
    return {
      shown: Array.from({ length: count }, (_, index) => index),
      before: 0,
      after: 0,
      measure: undefined,
      scrollTo: () => {},
      isLong,
    };
  const items = virtual.getVirtualItems();
  return {
    shown: items.map(({ index }) => index),
    before: items[0]?.start ?? 0,
    after: virtual.getTotalSize() - (items.at(-1)?.end ?? 0),
    measure,
    scrollTo: (index) => virtual.scrollToIndex(index),
    isLong,
  };
};
