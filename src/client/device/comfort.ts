import { type Store, storeOf } from '../store.ts';

/** How the bench works on this device: what it says aloud, and whether it goes on with what the tool is set to. */
export type Comfort = { readonly tone: boolean; readonly speech: boolean; readonly fewest: boolean };

const KEY = 'jentik-bench-comfort';
const NONE: Comfort = { tone: false, speech: false, fewest: false };

const read = (): Comfort => {
  try {
    const words = (localStorage.getItem(KEY) ?? '').split(' ');
    return {
      tone: words.includes('tone'),
      speech: words.includes('speech'),
      fewest: words.includes('fewest'),
    };
  } catch {
    // A browser that keeps nothing begins without.
    return NONE;
  }
};

/** The choice of this device, and the function that changes a part of it. */
export type ComfortStore = Store<Comfort> & { readonly change: (part: Partial<Comfort>) => void };

/** Opens the choice of this device. */
export const comfortStore = (): ComfortStore => {
  const store = storeOf<Comfort>(read());
  return {
    ...store,
    change: (part) => {
      const next = { ...store.snapshot(), ...part };
      store.change(next);
      try {
        const on = Object.entries(next).flatMap(([name, isOn]) => (isOn ? [name] : []));
        localStorage.setItem(KEY, on.join(' '));
      } catch {
        // It holds for this page.
      }
    },
  };
};

/** What is shown before the device's choice is read, as on the server. */
export const noComfort = (): Comfort => NONE;
