import { isPlainText } from '#core/plain-text.ts';
import { accepted, type Result, refused } from '#core/result.ts';

/** Why a body is not taken, before anybody asks what it means. */
export type JsonRefusal = { readonly path: string; readonly message: string };

const MOST_DEEP = 64;
// What a text or a key in JSON can say and no text of ours can hold, and keys that an object of ours never has; looked for in the text before it is looked for
// in the value, because most bodies have none of it. An escape may spell anything.
const MAY_BE_ODD = /\\[ubf]|[\u007f-\u009f\u202a-\u202e\u2066-\u2069]|"(?:length|__proto__)"/;

const [QUOTE, BACKSLASH, OPENS, CLOSES] = [0x22, 0x5c, new Set([0x5b, 0x7b]), new Set([0x5d, 0x7d])];

/** Whether arrays and objects stand in each other deeper than anything here does: looked at in the bytes, for what walks a value goes as deep as it. */
const isTooDeep = (bytes: Uint8Array): boolean => {
  let depth = 0;
  let isInText = false;
  for (let at = 0; at < bytes.length; at += 1) {
    const byte = bytes[at] as number;
    if (isInText && byte === BACKSLASH) at += 1;
    else if (byte === QUOTE) isInText = !isInText;
    else if (isInText) continue;
    else if (OPENS.has(byte)) depth += 1;
    else if (CLOSES.has(byte)) depth -= 1;
    if (depth > MOST_DEEP) return true;
  }
  return false;
};

/** The first place in a value that no text or object of ours can be; null where there is none. */
const oddPlace = (value: unknown, path: string): JsonRefusal | null => {
  const at = (message: string): JsonRefusal => ({ path: path || 'body', message });
  if (typeof value === 'string')
    return isPlainText(value) ? null : at('holds a control character, or half a character');
  if (value === null || typeof value !== 'object') return null;
  for (const [key, each] of Object.entries(value)) {
    if (!isPlainText(key) || key === '__proto__' || (key === 'length' && !Array.isArray(value)))
      return at('has a key that nothing here has');
    const found = oddPlace(each, path ? `${path}.${key.slice(0, 40)}` : key.slice(0, 40));
    if (found) return found;
  }
  return null;
};

/** A body as JSON. Refuses: bytes that are not UTF-8, text that is not JSON, and what no value of ours can hold. */
export const readJson = (bytes: Uint8Array): Result<unknown, JsonRefusal> => {
  let text: string;
  try {
    text = new TextDecoder('utf-8', { fatal: true, ignoreBOM: true }).decode(bytes);
  } catch {
    return refused({ path: 'body', message: 'is not UTF-8' });
  }
  if (isTooDeep(bytes)) return refused({ path: 'body', message: 'is nested too deep' });
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    return refused({ path: 'body', message: 'is not JSON' });
  }
  const odd = MAY_BE_ODD.test(text) ? oddPlace(value, '') : null;
  return odd ? refused(odd) : accepted(value);
};
