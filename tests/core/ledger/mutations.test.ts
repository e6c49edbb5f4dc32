import { describe, expect, test } from 'vitest';
import type { LedgerEvent } from '#core/event/lifted.ts';
import { eventHash } from '#core/ledger/hash-chain.ts';
import { jobRecord, recordText } from '#core/ledger/job-record.ts';
import { keyFingerprint, sealed } from '#core/ledger/seal.ts';
import { sealingPublicKey } from '#core/ledger/signature.ts';
import { verifyRecord } from '#core/ledger/verify-record.ts';
import { sha256Hex } from '#core/text-hash.ts';
import { seeded } from '../../../scripts/campaign/seeded.ts';
import { GOLDEN_KEY, goldenRecords } from '../../golden/golden.ts';
import { SampleJob } from '../job/sample-job.ts';
import { factsOf } from './sample-seal.ts';

const expectedKey = keyFingerprint(sealingPublicKey(GOLDEN_KEY));
const FORGERS_KEY = '4ccd089b28ff96da9db6c346ec114e0f5b8a319f35aba624da8cf6ed4fb8a6fb';

const ofVersion2 = (): string => {
  const job = new SampleJob(['20 to 24 in-lb', 'max 32 in-lb']).ready().pull('1').pull('2', 'by-feel');
  job.happen({ kind: 'fastener-loosened', body: { position: '2' } });
  job.pull('2');
  const events = job.signBoth().chain();
  return recordText(jobRecord(events, sealed(factsOf(events), GOLDEN_KEY)));
};
const TEXTS = [ofVersion2(), goldenRecords(1).at(-1)?.text ?? ''];

type Json = { [key: string]: Json } | Json[] | string | number | boolean | null;
type Random = () => number;
const pick = <T>(list: readonly T[], random: Random): T => list[Math.floor(random() * list.length)] as T;

/** Every object of a value, at every level. */
const objectsIn = (value: Json): readonly { [key: string]: Json }[] => {
  if (value === null || typeof value !== 'object') return [];
  const inside = Object.values(value).flatMap(objectsIn);
  return Array.isArray(value) ? inside : [value, ...inside];
};

const textAt = (text: string, at: number, length: number, put: string): string =>
  text.slice(0, at) + put + text.slice(at + length);

const changed = (text: string, change: (record: { [key: string]: Json }) => void): string => {
  const record = JSON.parse(text) as { [key: string]: Json };
  change(record);
  return recordText(record);
};

const resealed = (record: { [key: string]: Json }, key: string): void => {
  const events = record['events'] as unknown as LedgerEvent[];
  const last = events.at(-1) as LedgerEvent;
  const seal = record['seal'] as unknown as { site: string; sealedAt: string };
  const facts = {
    site: seal.site,
    job: last.job,
    headSequence: last.sequence,
    headHash: last.hash,
    sealedAt: seal.sealedAt,
  };
  record['seal'] = sealed(facts, key) as unknown as Json;
};

const rechained = (record: { [key: string]: Json }): void => {
  let previousHash = '0'.repeat(64);
  const events = record['events'] as unknown as { hash: string; previousHash: string; sequence: number }[];
  for (const [index, event] of events.entries()) {
    Object.assign(event, { previousHash, sequence: index + 1 });
    event.hash = eventHash(event as LedgerEvent);
    previousHash = event.hash;
  }
};

/** Ways to change a record. Each answers another text, or the same one where there was nothing to change. */
const MUTATIONS: Readonly<Record<string, (text: string, random: Random) => string>> = {
  digit: (text, random) => {
    const at = pick([...text.matchAll(/\d/g)], random).index;
    return textAt(text, at, 1, String((Number(text[at]) + 1 + Math.floor(random() * 8)) % 10));
  },
  character: (text, random) =>
    textAt(text, Math.floor(random() * text.length), 1, pick([...'abcXYZ {}[],:"\\\n0é'], random)),
  deletion: (text, random) =>
    textAt(text, Math.floor(random() * text.length), 1 + Math.floor(random() * 4), ''),
  swap: (text, random) => {
    const at = Math.floor(random() * (text.length - 1));
    return textAt(text, at, 2, `${text[at + 1]}${text[at]}`);
  },
  cut: (text, random) => text.slice(0, Math.floor(random() * text.length)),
  'events cut, chained and counted anew': (text, random) =>
    changed(text, (record) => {
      const events = record['events'] as Json[];
      events.splice(Math.floor(random() * events.length), 1 + Math.floor(random() * 2));
      rechained(record);
    }),
  'a number changed, chained anew': (text, random) =>
    changed(text, (record) => {
      const numbers = objectsIn(record['events'] as Json).filter((each) =>
        Object.values(each).some((value) => typeof value === 'number'),
      );
      const object = pick(numbers, random);
      const key = pick(
        Object.keys(object).filter((each) => typeof object[each] === 'number'),
        random,
      );
      object[key] = (object[key] as number) + 1;
      rechained(record);
    }),
  'an unknown key at any level': (text, random) =>
    changed(text, (record) => {
      pick(objectsIn(record), random)[`x${Math.floor(random() * 100)}`] = null;
    }),
  'an unknown key, chained anew': (text, random) =>
    changed(text, (record) => {
      pick(objectsIn(record['events'] as Json), random)['note'] = 'added';
      rechained(record);
    }),
  'the order of keys': (text, random) =>
    changed(text, (record) => {
      const object = pick(
        objectsIn(record).filter((each) => Object.keys(each).length > 1),
        random,
      );
      const [key] = Object.keys(object) as [string];
      const value = object[key] as Json;
      delete object[key];
      object[key] = value;
    }),
  'the case of hexadecimal': (text, random) => {
    const at = pick([...text.matchAll(/(?<=")[0-9a-f-]{32,}(?=")/g)], random);
    return textAt(text, at.index, at[0].length, at[0].toUpperCase());
  },
  'a section that is null': (text, random) =>
    changed(text, (record) => {
      const object = pick(objectsIn(record), random);
      object[pick(Object.keys(object), random)] = null;
    }),
  'a value of another type that is written alike': (text, random) =>
    changed(text, (record) => {
      const object = pick(objectsIn(record), random);
      const key = pick(Object.keys(object), random);
      const value = object[key] as Json;
      object[key] = typeof value === 'number' && random() < 0.5 ? String(value) : [value];
    }),
  'a key that was forged': (text, random) =>
    changed(text, (record) => {
      const pulls = (record['events'] as { kind: string; body: { [key: string]: Json } }[]).filter(
        ({ kind }) => kind === 'pull-made',
      );
      if (random() < 0.5 && pulls.length > 0) pick(pulls, random).body['outcome'] = 'in';
      rechained(record);
      resealed(record, FORGERS_KEY);
    }),
  'a seal of other facts': (text, random) =>
    changed(text, (record) => {
      const seal = record['seal'] as { [key: string]: Json };
      const key = pick(Object.keys(seal), random);
      seal[key] = typeof seal[key] === 'number' ? (seal[key] as number) + 1 : sha256Hex(String(seal[key]));
    }),
};

const EACH = 400;

describe('ten thousand seeded mutations of a record: none is missed with the site’s key, and none throws', () => {
  test('there are ten thousand', () => {
    expect(Object.keys(MUTATIONS).length * EACH * TEXTS.length).toBeGreaterThanOrEqual(10_000);
  });

  test.each(TEXTS.map((text, index) => ({ name: index === 0 ? 'version 2' : 'version 1', text })))(
    'a record of $name holds as it is',
    ({ text }) => {
      expect(verifyRecord(text, { expectedKey })).toMatchObject({ ok: true });
    },
  );

  test.each(
    Object.keys(MUTATIONS).flatMap((name) => TEXTS.map((text, at) => ({ name, version: 2 - at, text, at }))),
  )(
    '$name, version $version',
    ({ name, text, at }) => {
      const random = seeded(20_261_125 + at * 1000 + Object.keys(MUTATIONS).indexOf(name)).next;
      const missed: string[] = [];
      let tried = 0;
      while (tried < EACH) {
        const mutated = MUTATIONS[name]?.(text, random) ?? text;
        if (mutated === text) continue;
        tried += 1;
        if (verifyRecord(mutated, { expectedKey }).ok) missed.push(mutated);
      }
      expect(missed.length).toBe(0);
    },
    120_000,
  );
});
