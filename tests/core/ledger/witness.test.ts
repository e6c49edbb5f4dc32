import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { EMPTY_HEAD } from '#core/ledger/hash-chain.ts';
import { sealingPublicKey } from '#core/ledger/signature.ts';
import { brokenLinks, contentHash, linked, type SiteFact } from '#core/ledger/site-chain.ts';
import { isKeyOf, rotatedKeys, type SiteKey } from '#core/ledger/site-key.ts';
import { afterLine, type JobHead, movedSince, nothingWitnessed, witnessLine } from '#core/ledger/witness.ts';

const KEY = '1'.repeat(64);
const OTHER_KEY = '2'.repeat(64);
const at = (minute: number): string => `2026-11-02T08:${String(minute).padStart(2, '0')}:00.000Z`;
const KEYS: readonly SiteKey[] = [{ publicKey: sealingPublicKey(KEY), from: at(0), until: null }];
const head = (number: number, sequence: number): JobHead => ({
  job: `0190a000-0000-7000-8000-${String(number).padStart(12, '0')}`,
  number,
  sequence,
  hash: String((number * 7 + sequence) % 10).repeat(64),
});

/** The lines of a file, one for each list of heads that moved. */
const lines = (moves: readonly (readonly JobHead[])[], key = KEY): readonly string[] => {
  let before = nothingWitnessed();
  return moves.map((moved, minute) => {
    const text = witnessLine(
      before,
      { at: at(minute + 1), site: { sequence: minute, hash: 'a'.repeat(64) }, moved },
      key,
    );
    before = afterLine(before, text, null) as typeof before;
    return text;
  });
};
const read = (texts: readonly string[], keys: readonly SiteKey[] | null = KEYS) => {
  let witnessed = nothingWitnessed();
  for (const [index, text] of texts.entries()) {
    const next = afterLine(witnessed, text, keys);
    if (typeof next === 'string') return { line: index + 1, problem: next };
    witnessed = next;
  }
  return witnessed;
};

const THREE = [[head(1, 3), head(2, 5)], [head(1, 9)], [head(3, 1)]];

describe('a witness file', () => {
  test('its lines together say where every job stands', () => {
    const witnessed = read(lines(THREE));
    expect(witnessed).toMatchObject({ line: 3, at: at(3), site: { sequence: 2 } });
    expect([...(witnessed as ReturnType<typeof nothingWitnessed>).jobs.values()]).toEqual([
      head(1, 9),
      head(2, 5),
      head(3, 1),
    ]);
  });

  test('a head that moved forward, back or sideways has moved', () => {
    const witnessed = read(lines(THREE)) as ReturnType<typeof nothingWitnessed>;
    const sideways = { ...head(2, 5), hash: 'f'.repeat(64) };
    expect(movedSince(witnessed, [head(1, 9), head(2, 5)])).toEqual([]);
    expect(movedSince(witnessed, [head(1, 10), sideways, head(3, 0), head(4, 1)])).toHaveLength(4);
  });

  test.each([
    ['left out', ([first, , third]: readonly string[]) => [first, third], { line: 2, problem: 'previous' }],
    [
      'twice',
      ([first, second]: readonly string[]) => [first, first, second],
      { line: 2, problem: 'previous' },
    ],
    [
      'in another order',
      ([first, second, third]: readonly string[]) => [first, third, second],
      { line: 2, problem: 'previous' },
    ],
    ['no line', ([first]: readonly string[]) => [first, '{}'], { line: 2, problem: 'form' }],
  ])('a line that is %s is found', (_, change, found) => {
    expect(read(change(lines(THREE)) as readonly string[])).toEqual(found);
  });

  test('property: any one character changed in any line is found', () => {
    const texts = lines(THREE);
    fc.assert(
      fc.property(
        fc.nat(2),
        fc.nat(),
        fc.constantFrom(...'0123456789abcdef"{}:'),
        (line, place, character) => {
          const text = texts[line] as string;
          const spot = place % text.length;
          fc.pre(text[spot] !== character);
          const changed = texts.map((each, index) =>
            index === line ? `${each.slice(0, spot)}${character}${each.slice(spot + 1)}` : each,
          );
          expect(read(changed)).toMatchObject({ problem: expect.anything() });
        },
      ),
    );
  });

  test('a line by a key that is not the site’s, or was not then, is found', () => {
    expect(read(lines(THREE, OTHER_KEY))).toEqual({ line: 1, problem: 'key' });
    const over = KEYS.map((key) => ({ ...key, until: at(2) }));
    expect(read(lines(THREE), over)).toEqual({ line: 2, problem: 'key' });
  });
});

describe('keys', () => {
  test('each is valid from its first moment to the one that took its place, and no longer', () => {
    const keys = rotatedKeys(KEYS, sealingPublicKey(OTHER_KEY), at(30));
    const valid = (minute: number) => keys.map((key) => isKeyOf(key, at(minute)));
    expect([valid(0), valid(29), valid(30), valid(59)]).toEqual([
      [true, false],
      [true, false],
      [false, true],
      [false, true],
    ]);
  });
});

describe('the site’s own chain', () => {
  const facts: readonly SiteFact[] = ['a', 'b', 'c', 'd'].map((ref) => ({
    kind: 'site_log',
    ref,
    said: `entry ${ref}`,
    contentHash: contentHash({ ref, at: '2026', why: null }),
  }));
  const links = linked(EMPTY_HEAD, facts, at(1));

  test('follows on, also from a head in the middle', () => {
    expect(brokenLinks(EMPTY_HEAD, links)).toEqual([]);
    expect(brokenLinks(links[1] ?? EMPTY_HEAD, links.slice(2))).toEqual([]);
    expect(brokenLinks(EMPTY_HEAD, [...links, ...linked(links[3] ?? EMPTY_HEAD, facts, at(2))])).toEqual([]);
  });

  test('each link that was changed or taken away is named, and none of those between', () => {
    const long = linked(EMPTY_HEAD, [...facts, ...facts, ...facts], at(1));
    const changed = long
      .map((link) => ([2, 8].includes(link.sequence) ? { ...link, said: 'another' } : link))
      .filter(({ sequence }) => sequence !== 5);
    expect(brokenLinks(EMPTY_HEAD, changed)).toEqual([2, 5, 8]);
  });

  test.each(['kind', 'ref', 'said', 'contentHash', 'at', 'previousHash', 'hash', 'sequence'] as const)(
    'another %s breaks it there',
    (field) => {
      const changed = links.map((link, index) =>
        index === 2 ? { ...link, [field]: field === 'sequence' ? 9 : `${link[field]}x` } : link,
      );
      expect(brokenLinks(EMPTY_HEAD, changed)[0]).toBe(3);
      if (field !== 'sequence') expect(brokenLinks(EMPTY_HEAD, changed)).toEqual([3]);
    },
  );

  test('the order of a row’s columns says nothing, what they hold does', () => {
    expect(contentHash({ a: 1, b: null })).toBe(contentHash({ b: null, a: 1 }));
    expect(contentHash({ a: 1, b: null })).not.toBe(contentHash({ a: 1, b: '' }));
  });
});
