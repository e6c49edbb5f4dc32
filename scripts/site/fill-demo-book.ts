import { readFileSync } from 'node:fs';
import { v7 as uuidv7 } from 'uuid';
import { valueOrThrow } from '#core/fault.ts';
import type { FastenerLine } from '#core/job/fastener-list.ts';
import type { Person } from '#core/people/person.ts';
import { readPrinted } from '#core/spec/book/book-requirement.ts';
import { readRequirementLine, requirementLines } from '#core/spec/book/requirement-list.ts';
import { type Source, sourceName } from '#core/spec/book/source.ts';
import { readSourceLine, sourceLines } from '#core/spec/book/source-list.ts';
import { readLabel } from '#core/spec/label/read-label.ts';
import { NO_CONDITIONS } from '#core/spec/requirement/conditions.ts';
import { keepRequirement } from '#server/services/keep-requirement.ts';
import { addSource, changeSource } from '#server/services/keep-source.ts';
import { keepTable } from '#server/services/keep-table.ts';
import { allSources, readBookRequirement } from '#server/services/read-book.ts';
import { inProject } from './paths.ts';

const text = (...names: readonly string[]): string =>
  readFileSync(inProject('demo', 'book', ...names), 'utf8');

type DemoTable = {
  readonly file: string;
  readonly name: string;
  readonly subject: string;
  readonly source: string;
  readonly place: string;
  readonly footnote: string;
  readonly madeForMaterial: string;
};

/** A requirement whose print contradicts itself, as the demo's lead settled it. */
type DemoSettled = {
  readonly part: string;
  readonly size: string;
  readonly printed: string;
  readonly readAs: string;
  readonly source: string;
  readonly place: string;
  readonly why: string;
};

/** A requirement that was found misread after it had been used. */
type DemoRevised = { readonly code: string; readonly printed: string; readonly why: string };

const named = (sources: readonly Source[], name: string): Source => {
  const found = sources.find((source) => sourceName(source) === name);
  if (!found) throw new Error(`the demo has no source ${name}`);
  return found;
};

/** Fills the spec book of the demo: its sources, one of them superseded, its requirements, two pairs of which disagree and one that contradicts itself, its tables. */
export const fillDemoBook = async (lead: Person): Promise<void> => {
  for (const line of valueOrThrow(sourceLines(text('sources.csv'))).lines) {
    const { value, findings } = readSourceLine(line);
    if (!value) throw new Error(JSON.stringify(findings));
    valueOrThrow(await addSource(value));
  }
  const sources = await allSources();
  for (const line of valueOrThrow(requirementLines(text('requirements.csv'))).lines) {
    const { value, findings } = readRequirementLine(line, sources, 'N.m');
    if (!value) throw new Error(JSON.stringify(findings));
    const draft = { id: uuidv7(), basedOn: null, isWithdrawn: false, why: '', ...value };
    valueOrThrow(await keepRequirement(draft, lead));
  }
  for (const { printed, readAs, why, source, ...what } of JSON.parse(
    text('settled.json'),
  ) as readonly DemoSettled[]) {
    const torque = valueOrThrow(readPrinted(printed, readAs, 'N.m'));
    const body = {
      ...what,
      torque,
      otherPart: null,
      conditions: NO_CONDITIONS,
      isPartSofter: false,
      note: '',
    };
    const sourceId = named(sources, source).id;
    valueOrThrow(
      await keepRequirement({ id: uuidv7(), basedOn: null, sourceId, isWithdrawn: false, why, body }, lead),
    );
  }
  for (const demo of JSON.parse(text('tables.json')) as readonly DemoTable[]) {
    const { table } = valueOrThrow(readLabel(text('tables', demo.file)));
    const { name, subject, footnote, madeForMaterial, place } = demo;
    const body = { ...table, name, subject, footnote, madeForMaterial };
    const sourceId = named(sources, demo.source).id;
    valueOrThrow(
      await keepTable(
        { id: uuidv7(), basedOn: null, sourceId, isWithdrawn: false, why: '', place, body },
        lead,
      ),
    );
  }
  const old = named(sources, 'Coolant loop manual, BL-114, rev. B');
  const newer = named(sources, 'Coolant loop manual, BL-114, rev. C');
  const superseded: Source = { ...old, status: 'superseded', supersededBy: newer.id };
  valueOrThrow(await changeSource(superseded, 'revision C came with the new chiller', lead));
};

const BOOK_CODE = /^R-\d+$/;

/** Lines whose requirement is a code of the book, with what the book says. */
export const withBookValues = async (lines: readonly FastenerLine[]): Promise<readonly FastenerLine[]> =>
  Promise.all(
    lines.map(async (line) => {
      const code = line.cells['requirement'] ?? '';
      if (!BOOK_CODE.test(code)) return line;
      const { fromBook } = valueOrThrow(await readBookRequirement(code));
      return { ...line, readAs: fromBook.torque.readAs ?? fromBook.torque.printed, book: fromBook.book };
    }),
  );

/** Values of the demo's book that were changed after jobs had used them. */
export const reviseDemoBook = async (lead: Person): Promise<void> => {
  for (const { code, printed, why } of JSON.parse(text('revised.json')) as readonly DemoRevised[]) {
    const { kept } = valueOrThrow(await readBookRequirement(code));
    const { id, revision, sourceId, body } = kept;
    const torque = valueOrThrow(readPrinted(printed, null, 'N.m'));
    const draft = { id, basedOn: revision, sourceId, isWithdrawn: false, why, body: { ...body, torque } };
    valueOrThrow(await keepRequirement(draft, lead));
  }
};
