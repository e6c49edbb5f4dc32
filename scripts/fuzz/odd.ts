import type { Random } from '../campaign/seeded.ts';

const DEEP = 2_000;
const deep = (): unknown => {
  let value: unknown = [];
  for (let level = 0; level < DEEP; level += 1) value = [value];
  return value;
};

/** Values that no field expects, or that one expects and nobody thought through. */
const ODD: readonly (() => unknown)[] = [
  () => null,
  () => true,
  () => '',
  () => ' ',
  () => '\u0000',
  () => 'a\u0000b',
  () => '\ud800',
  () => '\u202e1.0',
  () => '\u200b',
  () => 'x'.repeat(10_000),
  () => '😀'.repeat(40),
  () => 'é'.repeat(90),
  () => "'; DROP TABLE events; --",
  () => '=1+1',
  () => '../../../etc/passwd',
  () => '__proto__',
  () => 'constructor',
  () => '0000-00-00',
  () => '0000-01-01',
  () => '9999-12-31',
  () => '0000-01-01T00:00:00.000Z',
  () => '9999-12-31T23:59:59.999Z',
  () => '1000-01-01T00:00:00.000Z',
  () => '2026-02-30',
  () => '+020000-01-01T00:00:00.000Z',
  () => 0,
  () => -0,
  () => -1,
  () => 1e-320,
  () => 1e308,
  () => -1e308,
  () => 2 ** 31,
  () => 2 ** 32,
  () => 2 ** 53,
  () => 0.1 + 0.2,
  () => '1e999',
  () => '١٢',
  () => '1,5',
  () => '½',
  () => ({}),
  () => [],
  () => [[]],
  () => ({ length: { toString: 'x' } }),
  () => ({ toString: 'x' }),
  () => ({ toJSON: 1 }),
  () => JSON.parse('{"then":1}'),
  () => ({ __proto__: null, constructor: { prototype: {} } }),
  () => ['a', { length: -1 }],
  () => Array.from({ length: 500 }, () => 1),
  deep,
];

type Place = { readonly holder: Record<string, unknown> | unknown[]; readonly key: string | number };

const places = (value: unknown, found: Place[] = [], depth = 0): Place[] => {
  if (value === null || typeof value !== 'object' || depth > 12) return found;
  for (const key of Array.isArray(value) ? value.keys() : Object.keys(value)) {
    found.push({ holder: value as Record<string, unknown>, key });
    places((value as Record<string | number, unknown>)[key], found, depth + 1);
  }
  return found;
};

/** Makes something wrong with a value: one place or several get an odd value, go missing, come twice, or stand where nothing should. */
export const oddened = (value: unknown, random: Random): unknown => {
  const copy = structuredClone(value);
  if (copy === null || typeof copy !== 'object' || random.chance(0.03)) return random.pick(ODD)();
  for (let times = 1 + random.whole(3); times > 0; times -= 1) {
    const all = places(copy);
    if (all.length === 0) return random.pick(ODD)();
    const { holder, key } = random.pick(all);
    const at = holder as Record<string | number, unknown>;
    const what = random.next();
    if (what < 0.1) delete at[key];
    else if (what < 0.2) at[`${key}${random.whole(9)}`] = at[key];
    else if (what < 0.3 && Array.isArray(holder)) holder.push(at[key]);
    else at[key] = random.pick(ODD)();
  }
  return copy;
};

/** Bytes in place of a body. */
export const oddBytes = (json: string, random: Random): Buffer =>
  random.pick<() => Buffer>([
    () => Buffer.alloc(0),
    () => Buffer.from(json.slice(0, random.whole(json.length + 1))),
    () => Buffer.concat([Buffer.from(json), Buffer.from([0xff, 0xfe])]),
    () => Buffer.from([0xff, 0xfe, 0x00, 0x80]),
    () => Buffer.from(`\ufeff${json}`),
    () => Buffer.from(json, 'utf16le'),
    () => Buffer.from('['.repeat(100_000)),
    () => Buffer.from(`{"a":${'9'.repeat(5_000)}}`),
    () => Buffer.from(json.replaceAll('"', "'")),
    () => Buffer.from('[ \n'.repeat(50_000)),
    () =>
      Buffer.from(json.replace(/"(\w)/, (_, letter: string) => `"\\u00${letter.charCodeAt(0).toString(16)}`)),
    () => Buffer.from(json.replace(/:"[^"]*"/, ':{"\\u006cength":{"toString":"x"}}')),
    () => Buffer.from('null'),
    () => Buffer.from('"x"'),
    () => Buffer.from('{"__proto__":{"x":1}}'),
  ])();

/** What may stand in a path in place of an id. */
export const ODD_PATH_PARTS: readonly string[] = [
  '',
  '.',
  '..',
  '%2e%2e',
  '%00',
  '%ff',
  '%C3%A9',
  '%E2%82',
  '%',
  '%zz',
  '\u00e9',
  'a%2Fb',
  'x'.repeat(3_000),
  '0000-00-00',
  '00000000-0000-0000-0000-000000000000',
  'null',
  'constructor',
  '__proto__',
  'R-999999999999',
  'R-0',
  '-1',
  '1e309',
  '%F0%9F%98%80',
  "'",
  '%27%20OR%201=1',
  '*',
];

/** What may stand in a query. */
export const ODD_QUERIES: readonly string[] = [
  '',
  '?',
  '?after=-1',
  '?after=1e309',
  '?after=NaN',
  '?after=9999999999999999',
  '?after[]=1&after[]=2',
  '?q=%00',
  '?q=%ff',
  `?q=${'x'.repeat(4_000)}`,
  `?q=${'a+'.repeat(400)}`,
  '?q=%E2%82%AC+N%C2%B7m+12',
  '?size=small',
  '?size=__proto__',
  '?to=//example.org',
  '?codes=a,b,c',
  '?=',
  '?&&&',
  '?%zz',
  '?thumbnail=1&thumbnail=2',
  '?kind=constructor&id=1',
];

/** Headers that a browser would not send. */
export const ODD_HEADERS: readonly Readonly<Record<string, string>>[] = [
  {},
  {},
  {},
  { origin: 'null' },
  { origin: 'http://elsewhere.example' },
  { origin: 'x' },
  { host: 'elsewhere.example' },
  { host: 'a:b:c' },
  { cookie: 'jentik_session=%00; jentik_theme=%ff' },
  { cookie: `jentik_session=${'x'.repeat(3_000)}` },
  { accept: '*/*;q=x' },
  { 'accept-encoding': 'br;q=1.5, gzip;q=-1' },
  { 'content-encoding': 'gzip' },
  { 'x-forwarded-for': '1.2.3.4' },
  { 'x-forwarded-host': 'elsewhere.example', 'x-forwarded-proto': 'https' },
  { range: 'bytes=0-0,-1' },
  { 'if-none-match': '*' },
  { expect: '100-continue' },
];
