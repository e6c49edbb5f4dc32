import { Fault } from './fault.ts';

const MOST_DEEP = 20;
// Deeper than anything that is ever written here; a value that refers to itself is deeper than any.
const TOO_DEEP = 1_000;

/** Whether JSON's own writer writes a value canonically as it stands: with its keys in order at every level, and nothing JSON has no word for. */
const isInOrder = (value: unknown, depth = 0): boolean => {
  if (value === null || typeof value === 'string' || typeof value === 'boolean') return true;
  if (typeof value === 'number') return Number.isFinite(value);
  if (typeof value !== 'object' || depth > MOST_DEEP) return false;
  if (Array.isArray(value)) return value.every((each) => isInOrder(each, depth + 1));
  const fields = value as Readonly<Record<string, unknown>>;
  let last = '';
  for (const key of Object.keys(fields)) {
    if (key < last || !isInOrder(fields[key], depth + 1)) return false;
    last = key;
  }
  return true;
};

const cannotBeSaid = (): Fault => new Fault('value has no canonical JSON form');

/** Writes a value whose keys may be in any order. A field without a value is not written; what JSON has no word for is a fault, never a placeholder in a hash. */
const written = (value: unknown, depth: number): string => {
  if (value === null || typeof value === 'string' || typeof value === 'boolean') return JSON.stringify(value);
  if (typeof value === 'number' && Number.isFinite(value)) return JSON.stringify(value);
  if (typeof value !== 'object' || depth > TOO_DEEP) throw cannotBeSaid();
  if (Array.isArray(value)) return `[${value.map((each) => written(each, depth + 1)).join(',')}]`;
  if ('toJSON' in value && typeof value.toJSON === 'function') return written(value.toJSON(), depth + 1);
  const fields = value as Readonly<Record<string, unknown>>;
  const said = Object.keys(fields)
    .sort()
    .filter((key) => fields[key] !== undefined)
    .map((key) => `${JSON.stringify(key)}:${written(fields[key], depth + 1)}`);
  return `{${said.join(',')}}`;
};

/** The canonical text of a JSON value: keys sorted by code unit, shortest numbers, no white space.
 *  Source: RFC 8785 (JSON Canonicalization Scheme). Throws: Fault for what JSON can't say. */
export const canonicalText = (value: unknown): string =>
  // What was written canonically once is read back in order, and JSON's own writer is twice as fast.
  isInOrder(value) ? JSON.stringify(value) : written(value, 0);
