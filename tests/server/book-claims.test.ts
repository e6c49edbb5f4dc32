import { v7 as uuidv7 } from 'uuid';
import { beforeAll, describe, expect, test } from 'vitest';
import { valueOrThrow } from '#core/fault.ts';
import type { BookReference } from '#core/spec/book/book-reference.ts';
import { type FromBook, fromLookUp } from '#core/spec/book/from-book.ts';
import { lookUp } from '#core/spec/lookup/look-up.ts';
import { readLookupTable } from '#core/spec/lookup/lookup-table.ts';
import { NO_CONDITIONS } from '#core/spec/requirement/conditions.ts';
import { appendEvents } from '#server/append/append-events.ts';
import { bookConflicts, decideConflict } from '#server/services/book-conflicts.ts';
import { keepRequirement } from '#server/services/keep-requirement.ts';
import { addSource } from '#server/services/keep-source.ts';
import { planJob } from '#server/services/plan-job.ts';
import { allTables, readBookRequirement, readBookTable } from '#server/services/read-book.ts';
import { plainBookRequirement } from './sample-book.ts';
import { happening, newJob, person, plannedJob } from './sample-site.ts';

/** Moves X1 of a new job to a value that is said to be the book's; the code of what refused it. */
const moved = async ({ torque, book }: FromBook): Promise<string | undefined> => {
  const { job } = await plannedJob();
  const tam = await person('Tam');
  const requirement = { ...torque, printed: torque.readAs ?? torque.printed, readAs: null, book };
  const event = happening(job, tam, {
    kind: 'requirement-moved',
    body: { position: 'X1', requirement, why: 'a try' },
  });
  return valueOrThrow(await appendEvents(job, [event], tam)).refused?.problem.code;
};

const described = { kind: 'manual', number: '', revision: 'A', datedOn: '', place: 'shelf' } as const;
const addedRequirement = async (title: string, printed: string) => {
  const source = valueOrThrow(await addSource({ ...described, title }));
  const draft = {
    id: uuidv7(),
    basedOn: null,
    sourceId: source.id,
    isWithdrawn: false,
    why: '',
    body: plainBookRequirement('claimed bolt', printed),
  };
  return valueOrThrow(await keepRequirement(draft, await person('Lea')));
};

let requirement: FromBook;
let row: FromBook;

beforeAll(async () => {
  const first = await addedRequirement(`One book ${uuidv7()}`, '20 to 24 lbf·in');
  const other = await addedRequirement(`Other book ${uuidv7()}`, '13 to 15 lbf·in');
  const conflict = (await bookConflicts()).find(({ first: a, other: b }) =>
    [a.id, b.id].every((id) => id === first.id || id === other.id),
  );
  if (!conflict) throw new Error('the two do not disagree');
  const decision = {
    first: conflict.first.id,
    other: conflict.other.id,
    chosen: first.id,
    why: 'the newer edition',
  };
  valueOrThrow(await decideConflict(decision, await person('Lea')));
  requirement = valueOrThrow(await readBookRequirement(first.code)).fromBook;
  const tables = await allTables();
  const flared = tables.find(({ body }) => body.name.startsWith('Flared tube nuts'));
  const { kept, source } = valueOrThrow(await readBookTable(flared?.id ?? ''));
  const found = lookUp(readLookupTable(kept.body, 'N.m'), { keys: ['1/4'], valueColumn: 0 });
  row = fromLookUp(kept, source, found, false) as FromBook;
});

const FIELDS: readonly (readonly [string, (book: BookReference) => Partial<BookReference>])[] = [
  ['kind', ({ kind }) => ({ kind: kind === 'table' ? 'requirement' : 'table' })],
  ['id', () => ({ id: uuidv7() })],
  ['code', () => ({ code: 'R-999' })],
  ['revision', ({ revision }) => ({ revision: revision + 1 })],
  ['source', () => ({ sourceId: uuidv7() })],
  ['title of the source', ({ source }) => ({ source: { ...source, title: 'A better book' } })],
  ['revision of the source', ({ source }) => ({ source: { ...source, revision: 'Z' } })],
  ['place or table row', ({ source }) => ({ source: { ...source, place: 'page 99' } })],
  ['conditions', () => ({ conditions: { ...NO_CONDITIONS, isSingleUse: true, madeForMaterial: 'steel' } })],
  [
    'the other part',
    () => ({
      otherPart: {
        part: 'bracket',
        printed: '5 Nm',
        readAs: null,
        requirement: { kind: 'nominal', nominal: { text: '5', value: 5, unit: 'N.m' } },
      },
    }),
  ],
  ['a decision nobody made', () => ({ decided: { why: 'because', by: 'Lea' } })],
];

describe('every field of a reference to the book is compared with the book', () => {
  test('as the book has it, a requirement with its decision and a table row are taken', async () => {
    expect(requirement.book.decided).toEqual({ why: 'the newer edition', by: 'Lea' });
    expect([await moved(requirement), await moved(row)]).toEqual([undefined, undefined]);
  });

  test.each(FIELDS)('a requirement, %s', async (_, change) => {
    const book = { ...requirement.book, ...change(requirement.book) };
    expect(await moved({ ...requirement, book })).toBe('book-reference-unknown');
  });

  test.each(FIELDS)('a table row, %s', async (_, change) => {
    const book = { ...row.book, ...change(row.book) };
    expect(await moved({ ...row, book })).toBe('book-reference-unknown');
  });

  test('a decision by another person than made it', async () => {
    const book = { ...requirement.book, decided: { why: 'the newer edition', by: 'Tam' } };
    expect(await moved({ ...requirement, book })).toBe('book-reference-unknown');
  });

  test('another value than the row’s, though every word of the reference is right', async () => {
    const torque = {
      printed: '90 to 99 lbf·in',
      readAs: null,
      requirement: {
        kind: 'range',
        low: { text: '90', value: 90, unit: 'lbf.in' },
        high: { text: '99', value: 99, unit: 'lbf.in' },
      },
    } as const;
    expect(await moved({ torque, book: row.book })).toBe('book-reference-unknown');
  });

  test('planning a job with such a claim is refused as well', async () => {
    const job = newJob(
      'position,label,x_mm,y_mm,conductor,requirement\nX1,pump,10,10,14 AWG,20 to 24 lbf·in\n',
    );
    const lines = job.lines.map((line) => ({ ...line, book: { ...requirement.book, code: 'R-999' } }));
    expect(await planJob({ ...job, lines }, await person('Lea'))).toMatchObject({
      refusal: { code: 'book-reference-unknown' },
    });
  });
});
