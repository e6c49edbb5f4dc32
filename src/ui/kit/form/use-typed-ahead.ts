import { type RefObject, useEffect, useRef } from 'react';

type Typed = HTMLInputElement | HTMLTextAreaElement | HTMLSelectElement;

/** For a lone field that is no form's: what a hand put into it before the page listened is taken over, not wiped. The field's `ref`. */
export const useTypedAhead = <E extends Typed = HTMLInputElement>(
  held: string | boolean,
  take: (element: E) => void,
): RefObject<E | null> => {
  const field = useRef<E>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: only what stood in it when the page began to listen was typed ahead
  useEffect(() => {
    const element = field.current;
    if (!element) return;
    const stands = typeof held === 'boolean' ? 'checked' in element && element.checked : element.value;
    if (stands !== held) take(element);
  }, []);
  return field;
};
