import { accepted, type Result, refused } from '#core/result.ts';

/** Why a body is not taken, before anybody asks what it means. */
export type JsonRefusal = { readonly path: string; readonly message: string };

const MOST_DEEP = 64;
// What a text or a key in JSON can say and no text of ours can hold, and keys that an object of ours never has; looked for in the bytes before it is looked for
// in the value, because most bodies have none of it.
const MAY_BE_ODD = /\\u(?:d[89a-f]|0000)|"(?:length|__proto__)"|\[{3}|(?:\{"[^"]{0,40}":){6}/i;

const isText = (text: string): boolean => !/\p{Surrogate}|\0/u.test(text);

/** The first place in a value that no text or object of ours can be; null where there is none. */
const oddPlace = (value: unknown, path: string, depth: number): JsonRefusal | null => {
  const at = (message: string): JsonRefusal => ({ path: path || 'body', message });
  if (typeof value === 'string') return isText(value) ? null : at('holds a character that is none');
  if (value === null || typeof value !== 'object') return null;
  if (depth > MOST_DEEP) return at('is nested too deep');
  for (const [key, each] of Object.entries(value)) {
    if (!isText(key) || key === '__proto__' || (key === 'length' && !Array.isArray(value)))
      return at('has a key that nothing here has');
    const found = oddPlace(each, path ? `${path}.${key.slice(0, 40)}` : key.slice(0, 40), depth + 1);
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
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    return refused({ path: 'body', message: 'is not JSON' });
  }
  const odd = MAY_BE_ODD.test(text) ? oddPlace(value, '', 0) : null;
  return odd ? refused(odd) : accepted(value);
};
