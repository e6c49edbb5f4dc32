import { type RefObject, useEffect, useState } from 'react';

/** The size of an element in CSS pixels, as it changes; `first` until it is measured. */
export const useSize = (
  element: RefObject<Element | null>,
  first: { readonly width: number; readonly height: number },
): { readonly width: number; readonly height: number } => {
  const [size, setSize] = useState(first);
  useEffect(() => {
    if (!element.current) return undefined;
    const observer = new ResizeObserver(([entry]) => {
      if (entry) setSize({ width: entry.contentRect.width, height: entry.contentRect.height });
    });
    observer.observe(element.current);
    return () => observer.disconnect();
  }, [element]);
  return size;
};
