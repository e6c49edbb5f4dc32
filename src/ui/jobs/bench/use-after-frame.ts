import { startTransition, useEffect, useState } from 'react';

/** A value as it was when the last frame was drawn: what follows the verdict instead of holding it up. A change that comes before the last one was followed takes
 *  its place. */
export const useAfterFrame = <T>(value: T): T => {
  const [followed, setFollowed] = useState(value);
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    const frame = requestAnimationFrame(() => {
      timer = setTimeout(() => startTransition(() => setFollowed(value)));
    });
    return () => {
      cancelAnimationFrame(frame);
      clearTimeout(timer);
    };
  }, [value]);
  return followed;
};
