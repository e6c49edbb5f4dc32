import { v4 as uuidv4 } from 'uuid';

const KEY = 'jentik-device';
let made: string | null = null;

/** An id that this browser keeps, so that a record can say which of several devices an event came from. It says nothing about anybody. */
export const deviceId = (): string => {
  if (made) return made;
  try {
    made = localStorage.getItem(KEY) ?? uuidv4();
    localStorage.setItem(KEY, made);
  } catch {
    // A browser that keeps nothing is a new device each time.
    made ??= uuidv4();
  }
  return made;
};
