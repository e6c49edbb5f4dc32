import { type RefObject, useEffect, useRef, useState } from 'react';

/** What stands in a lone field that is no form's: also what was typed into it before the page listened. */
export const useTyped = (
  first: string,
): readonly [string, (text: string) => void, RefObject<HTMLInputElement | null>] => {
  const [text, setText] = useState(first);
  const field = useRef<HTMLInputElement>(null);
  useEffect(() => {
    const typed = field.current?.value;
    if (typed !== undefined) setText(typed);
  }, []);
  return [text, setText, field];
};
