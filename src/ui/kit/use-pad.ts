import { useState, useSyncExternalStore } from 'react';

const COARSE = '(pointer: coarse)';

let media: MediaQueryList | undefined;
/** Asked of the browser once: a bench asks at every pull. */
const pointer = (): MediaQueryList => {
  media ??= window.matchMedia(COARSE);
  return media;
};

const onPointer = (listener: () => void): (() => void) => {
  pointer().addEventListener('change', listener);
  return () => pointer().removeEventListener('change', listener);
};

/** Whether the number pad is open: by itself where a finger works the screen and a number is needed, else as the person left it. */
export const usePad = (isNeeded: boolean): { readonly isOpen: boolean; readonly toggle: () => void } => {
  const isFinger = useSyncExternalStore(
    onPointer,
    () => pointer().matches,
    () => false,
  );
  const [said, setSaid] = useState<{ readonly isNeeded: boolean; readonly isOpen: boolean } | null>(null);
  // What a person said holds until another kind of action asks for something else.
  const isOpen = said !== null && said.isNeeded === isNeeded ? said.isOpen : isFinger && isNeeded;
  return { isOpen, toggle: () => setSaid({ isNeeded, isOpen: !isOpen }) };
};
