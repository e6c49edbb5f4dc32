import { v7 as uuidv7 } from 'uuid';
import { describe, expect, test } from 'vitest';
import { valueOrThrow } from '#core/fault.ts';
import { readPrinted } from '#core/spec/book/book-requirement.ts';
import { type FromBook, fromLookUp } from '#core/spec/book/from-book.ts';
import type { Source } from '#core/spec/book/source.ts';
import { readLabel } from '#core/spec/label/read-label.ts';
import { lookUp } from '#core/spec/lookup/look-up.ts';
import { readLookupTable } from '#core/spec/lookup/lookup-table.ts';
import { SCREW_TERMINALS } from '#core/spec/lookup/published/screw-terminals.ts';
import { appendEvents } from '#server/append/append-events.ts';
import { database } from '#server/database/pool.ts';
import { selectRequirementRevisions } from '#server/queries/book-requirements.ts';
import { addTool } from '#server/services/add-tool.ts';
import { attachFile } from '#server/services/attach-file.ts';
import { attachedFile } from '#server/services/attached-file.ts';
import { bookConflicts, conflictEffects, decideConflict } from '#server/services/book-conflicts.ts';
import { bookNews } from '#server/services/book-news.ts';
import { changeSite } from '#server/services/change-site.ts';
import { requirementsCsv, tableCsv } from '#server/services/export-book.ts';
import { keepRequirement, keepRequirements } from '#server/services/keep-requirement.ts';
import { addSource, changeSource, restingOnSource } from '#server/services/keep-source.ts';
import { keepTable } from '#server/services/keep-table.ts';
import { planJob } from '#server/services/plan-job.ts';
import { allTables, changesOf, readBookRequirement, readBookTable } from '#server/services/read-book.ts';
import { siteChoices } from '#server/services/read-site.ts';
import { rebuildProjections } from '#server/services/rebuild-projections.ts';
import { shipPublishedTables } from '#server/services/ship-published-tables.ts';
import { searchSite } from '#server/services/site-search.ts';
import type { RequirementDraft } from '#wire/book.ts';
import { TOOL } from '../core/job/sample-job.ts';
import { plainBookRequirement, requirementDraft } from './sample-book.ts';
import { happening, newJob, person, pullEvents, readyEvents, stateOf } from './sample-site.ts';

const code = (result: { ok: boolean; refusal?: unknown }) =>
  (result as { refusal?: { code: string } }).refusal?.code;

const source = async (title: string): Promise<Source> =>
  valueOrThrow(
    await addSource({
      title,
      kind: 'manual',
      number: '',
      revision: 'A',
      datedOn: '2025-02-03',
      place: 'shelf',
    }),
  );

const keep = async (of: RequirementDraft) => valueOrThrow(await keepRequirement(of, await person('Lea')));

/** A job of one fastener that rests on a requirement of the book. */
const jobOn = async (name: string): Promise<string> => {
  const { fromBook } = valueOrThrow(await readBookRequirement(name));
  const job = newJob('position,label,x_mm,y_mm,conductor,requirement\nX1,pump,10,10,14 AWG,R\n');
  const lines = job.lines.map((line) => ({
    ...line,
    readAs: fromBook.torque.readAs ?? fromBook.torque.printed,
    book: fromBook.book,
  }));
  valueOrThrow(await planJob({ ...job, lines }, await person('Lea')));
  return job.jobId;
};

describe('requirements', () => {
  test('a change is a new revision, and the old one stays', async () => {
    const from = await source('Revisions');
    const kept = await keep(requirementDraft(from.id, 'revised bolt', '20 to 24 lbf·in'));
    expect(kept.code).toMatch(/^R-\d+$/);
    const next = {
      ...requirementDraft(from.id, 'revised bolt', '26 to 30 lbf·in'),
      id: kept.id,
      basedOn: 1,
      why: 'letter',
    };
    expect((await keep(next)).revision).toBe(2);
    const revisions = await selectRequirementRevisions(database(), kept.id);
    expect(revisions.map(({ revision, body }) => [revision, body.torque.printed])).toEqual([
      [2, '26 to 30 lbf·in'],
      [1, '20 to 24 lbf·in'],
    ]);
  });

  test('two people who change one revision: the second is told, and nothing is lost', async () => {
    const from = await source('Race');
    const kept = await keep(requirementDraft(from.id, 'raced bolt', '5 Nm'));
    const change = (printed: string) => ({
      ...requirementDraft(from.id, 'raced bolt', printed),
      id: kept.id,
      basedOn: 1,
      why: 'w',
    });
    await keep(change('6 Nm'));
    expect(code(await keepRequirement(change('7 Nm'), await person('Tam')))).toBe('revision-stale');
  });

  test('sent twice is kept once', async () => {
    const from = await source('Twice');
    const sent = requirementDraft(from.id, 'sent bolt', '5 Nm');
    expect((await keep(sent)).code).toBe((await keep(sent)).code);
  });

  test('the revisions may not be changed by the application', async () => {
    for (const statement of ['UPDATE book_requirement_revisions SET revision = 9', 'DELETE FROM site_log'])
      await expect(database().query(statement)).rejects.toThrow(/denied/);
  });

  test('a torque that its print does not say is refused; so is a list with one such line, whole', async () => {
    const from = await source('Claims');
    const honest = requirementDraft(from.id, 'honest bolt', '5 Nm');
    const false_ = {
      ...requirementDraft(from.id, 'false bolt', '5 Nm'),
      body: { ...honest.body, torque: { ...honest.body.torque, printed: '50 Nm' } },
    };
    expect(code(await keepRequirement(false_, await person('Lea')))).toBe('claim-untrue');
    expect(code(await keepRequirements([honest, false_], await person('Lea')))).toBe('claim-untrue');
    expect((await searchSite('honest')).hits).toEqual([]);
  });

  test.each([
    ['no source', { sourceId: uuidv7() }, 'not-found'],
    ['a revision of nothing', { basedOn: 1, why: 'w' }, 'not-found'],
  ])('%s is refused', async (_, more, expected) => {
    const from = await source('Refusals');
    expect(
      code(await keepRequirement(requirementDraft(from.id, 'bolt', '5 Nm', more), await person('Lea'))),
    ).toBe(expected);
  });
});

describe('search', () => {
  test('by part, size in any spelling, source and code; withdrawn ones are not found', async () => {
    const from = await source('Hangar notes');
    const kept = await keep({
      ...requirementDraft(from.id, 'aileron hinge nut', '5 Nm'),
      body: { ...plainBookRequirement('aileron hinge nut', '5 Nm'), size: 'M8' },
    });
    for (const query of ['aileron', 'hin nut', 'aileron m 8', '8 mm hinge', 'hangar aileron', kept.code])
      expect(
        (await searchSite(query)).hits.map(({ refId }) => refId),
        query,
      ).toContain(kept.id);
    for (const query of ['aileron m10'])
      expect(
        (await searchSite(query)).hits.map(({ refId }) => refId),
        query,
      ).not.toContain(kept.id);
    await keep({
      ...requirementDraft(from.id, 'aileron hinge nut', '5 Nm'),
      id: kept.id,
      basedOn: 1,
      why: 'gone',
      isWithdrawn: true,
    });
    expect((await searchSite('aileron')).hits.map(({ refId }) => refId)).not.toContain(kept.id);
  });

  test('where nothing has all of it, what has the size is shown, and said to be a part', async () => {
    const from = await source('Parts');
    const kept = await keep({
      ...requirementDraft(from.id, 'rudder pin', '5 Nm'),
      body: { ...plainBookRequirement('rudder pin', '5 Nm'), size: 'M7' },
    });
    const { hits, isPartial } = await searchSite('M7 titanium');
    expect([isPartial, hits.map(({ refId }) => refId).includes(kept.id)]).toEqual([true, true]);
  });

  test('a tool by its code and kind, a job by its number and title', async () => {
    const { id: _, limitPercent: _l, calibration: _c, ...described } = TOOL;
    const tool = valueOrThrow(
      await addTool({ ...described, limitPercent: null, code: 'TX-77' }, await person('Lea')),
    );
    const { job } = valueOrThrow(
      await planJob({ ...newJob(), title: 'Rudder trim box' }, await person('Lea')),
    );
    const found = async (query: string) =>
      (await searchSite(query)).hits.map(({ kind, refId }) => `${kind} ${refId}`);
    for (const query of ['TX-77', 'tx-77 adjustable screwdriver', `${TOOL.serial} TX-77`])
      expect(await found(query), query).toContain(`tool ${tool.id}`);
    for (const query of ['rudder trim', 'trim box rudd'])
      expect(await found(query), query).toContain(`job ${job}`);
    await database().query('DELETE FROM search_entries');
    await rebuildProjections();
    expect(await found('TX-77')).toContain(`tool ${tool.id}`);
    expect(await found('rudder trim')).toContain(`job ${job}`);
  });

  test('nothing typed finds nothing; signs alone neither', async () => {
    expect((await searchSite('')).hits).toEqual([]);
    expect((await searchSite('·;%_')).hits).toEqual([]);
  });

  test('what the search knows can be written again from the book', async () => {
    const from = await source('Rebuilt');
    const kept = await keep(requirementDraft(from.id, 'rebuilt gland', '5 Nm'));
    await database().query('DELETE FROM search_entries');
    expect((await searchSite('rebuilt gland')).hits).toEqual([]);
    await rebuildProjections();
    expect((await searchSite('rebuilt gland')).hits[0]?.refId).toBe(kept.id);
  });
});

describe('tables', () => {
  test('the published ones are shipped once, and what a site changed of them stays', async () => {
    await shipPublishedTables();
    const shipped = (await allTables()).find(({ body }) => body.name === SCREW_TERMINALS.table.name);
    if (!shipped) throw new Error('expected the table');
    const changed = {
      ...shipped,
      basedOn: shipped.revision,
      why: 'checked against the print',
      body: { ...shipped.body, footnote: 'checked' },
    };
    const { revision: _r, changedBy: _b, changedAt: _a, ...sent } = changed;
    valueOrThrow(await keepTable(sent, await person('Lea')));
    await shipPublishedTables();
    expect(
      (await allTables())
        .filter(({ id }) => id === shipped.id)
        .map(({ revision, body }) => [revision, body.footnote]),
    ).toEqual([[shipped.revision + 1, 'checked']]);
    expect((await searchSite('#6 screw terminals')).hits.map(({ row }) => row)).toContain(2);
    expect(valueOrThrow(await tableCsv(shipped.id)).text).toContain('Conductor size {conductor}');
  });

  test('a table with a cell in doubt is not kept', async () => {
    const from = await source('Doubts');
    const cell = (printed: string) => ({ printed, readAs: null });
    const body = {
      ...SCREW_TERMINALS.table,
      rows: [{ keys: [cell('8 AWG')], values: ['5 newtons', '', '', ''].map(cell), note: '' }],
    };
    const sent = {
      id: uuidv7(),
      basedOn: null,
      sourceId: from.id,
      isWithdrawn: false,
      why: '',
      place: '',
      body,
    };
    expect(code(await keepTable(sent, await person('Lea')))).toBe('table-cells-unsettled');
  });
});

describe('sources', () => {
  test('superseding one is a lead’s, needs a reason, and lists what rests on it', async () => {
    const [old, newer] = [await source('Old book'), await source('New book')];
    const kept = await keep(requirementDraft(old.id, 'superseded bolt', '20 to 24 lbf·in'));
    const job = await jobOn(kept.code);
    const changed = { ...old, status: 'superseded', supersededBy: newer.id } as const;
    expect(code(await changeSource(changed, 'new', await person('Tam')))).toBe('role-may-not');
    expect(code(await changeSource(changed, ' ', await person('Lea')))).toBe('why-missing');
    expect(code(await changeSource({ ...changed, supersededBy: old.id }, 'new', await person('Lea')))).toBe(
      'source-supersedes-itself',
    );
    valueOrThrow(await changeSource(changed, 'new edition', await person('Lea')));
    const resting = await restingOnSource(old.id);
    expect(resting.requirements.map(({ id }) => id)).toEqual([kept.id]);
    expect(resting.jobs).toMatchObject([{ id: job, isOpen: true, revision: 1, fasteners: 1 }]);
    expect((await changesOf('source-changed', old.id))[0]).toMatchObject({ by: 'Lea', why: 'new edition' });
    expect((await bookNews(await stateOf(job)))[0]).toMatchObject({
      sourceStatus: 'superseded',
      fromBook: null,
    });
  });

  test('a job that used an older revision says so, keeps it, and can be moved', async () => {
    const from = await source('Moving');
    const kept = await keep(requirementDraft(from.id, 'moving bolt', '20 to 24 lbf·in'));
    const job = await jobOn(kept.code);
    expect(await bookNews(await stateOf(job))).toEqual([]);
    await keep({
      ...requirementDraft(from.id, 'moving bolt', '26 to 30 lbf·in'),
      id: kept.id,
      basedOn: 1,
      why: 'letter',
    });
    const [news] = await bookNews(await stateOf(job));
    expect(news).toMatchObject({
      usedRevision: 1,
      newestRevision: 2,
      usedPrint: '20 to 24 lbf·in',
      positions: ['X1'],
    });
    expect((await stateOf(job)).fasteners[0]?.planned.requirement.readAs).toBe('20 to 24 lbf·in');
    const lea = await person('Lea');
    const move = (book: NonNullable<typeof news>['fromBook']) =>
      happening(job, lea, {
        kind: 'requirement-moved',
        body: {
          position: 'X1',
          why: 'letter',
          requirement: {
            printed: 'R',
            readAs: '26 to 30 lbf·in',
            requirement: book?.torque.requirement as never,
            book: book?.book as never,
          },
        },
      });
    const forged = news?.fromBook && { ...news.fromBook, book: { ...news.fromBook.book, revision: 7 } };
    expect(valueOrThrow(await appendEvents(job, [move(forged ?? null)], lea)).refused?.problem.code).toBe(
      'book-reference-unknown',
    );
    expect(valueOrThrow(await appendEvents(job, [move(news?.fromBook ?? null)], lea)).refused).toBeNull();
    expect(await bookNews(await stateOf(job))).toEqual([]);
  });

  test('a photograph is kept with its small picture; what is no photograph is not', async () => {
    const from = await source('Pictures');
    const png = Buffer.from(
      'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR4nGNgYGBgAAAABQABh6FO1AAAAABJRU5ErkJggg==',
      'base64',
    );
    const file = {
      name: 'label.png',
      contentBase64: png.toString('base64'),
      thumbnailBase64: png.toString('base64'),
    };
    const kept = valueOrThrow(await attachFile({ kind: 'source', id: from.id }, file, await person('Tam')));
    expect(kept).toMatchObject({ mediaType: 'image/png', size: png.length, addedBy: 'Tam' });
    expect(valueOrThrow(await attachedFile(kept.id, 'small'))).toMatchObject({
      type: 'image/jpeg',
      isShown: true,
    });
    expect(Buffer.from(valueOrThrow(await attachedFile(kept.id, 'original')).bytes)).toEqual(png);
    const page = { ...file, contentBase64: Buffer.from('<html>').toString('base64') };
    expect(code(await attachFile({ kind: 'source', id: from.id }, page, await person('Tam')))).toBe(
      'attachment-type',
    );
    expect(code(await attachedFile(uuidv7(), 'shown'))).toBe('not-found');
  });
});

describe('where one source prints two values', () => {
  test('it stands among the disagreements, settled by whom and why, with the effect of the other value', async () => {
    const from = await source('Twice printed');
    const plain = plainBookRequirement('twice printed clamp', '20 to 24 lbf·in');
    const torque = valueOrThrow(readPrinted('20 to 24 in-lb (1.6 to 2.0 Nm)', '20 to 24 in-lb', 'N.m'));
    const kept = await keep({
      ...requirementDraft(from.id, 'twice printed clamp', '20 to 24 lbf·in'),
      body: { ...plain, torque },
      why: 'the maker says so',
    });
    const tam = await person('Tam');
    const job = await jobOn(kept.code);
    await appendEvents(job, await readyEvents(job, tam), tam);
    valueOrThrow(await appendEvents(job, pullEvents(await stateOf(job), 'X1', tam), tam));
    const found = async () => (await bookConflicts()).find(({ first }) => first.id === kept.id);
    expect(await found()).toMatchObject({
      isWithinOneSource: true,
      other: { id: kept.id, body: { torque: { printed: '1.6 to 2.0 Nm' } } },
      decision: { by: 'Lea', why: 'the maker says so' },
    });
    // 22 lbf·in is 2.49 N·m, above 2.0.
    expect(valueOrThrow(await conflictEffects(kept.id, kept.id))).toMatchObject([
      { job: { id: job }, pulled: 1, changed: [{ position: 'X1', was: 'in', would: 'high' }] },
    ]);
    const decision = { first: kept.id, other: kept.id, chosen: kept.id, why: 'x' };
    expect(code(await decideConflict(decision, await person('Lea')))).toBe('not-in-conflict');
    await keep({
      ...requirementDraft(from.id, 'twice printed clamp', '20 to 24 lbf·in'),
      id: kept.id,
      basedOn: 1,
      why: 'a new print says one thing',
    });
    expect(await found()).toBeUndefined();
  });
});

describe('where tables disagree', () => {
  test('a row of one beside a row of another and beside a requirement; a lead decides for the row', async () => {
    const [a, b] = [await source('Table A'), await source('Table B')];
    const kept = async (from: string, values: string) => {
      const { table } = valueOrThrow(readLabel(`Thread\tNm\n${values}`));
      const sent = {
        id: uuidv7(),
        basedOn: null,
        sourceId: from,
        isWithdrawn: false,
        why: '',
        place: 'page 2',
        body: { ...table, name: `Lids ${values.slice(-3)}`, subject: 'disputed lid' },
      };
      return valueOrThrow(await keepTable(sent, await person('Lea')));
    };
    const first = await kept(a.id, 'M4\t2.8\nM5\t5.5');
    const other = await kept(b.id, 'M4\t2.8\nM5\t4.5');
    const plain = await keep({
      ...requirementDraft(a.id, 'disputed lid', '2 Nm'),
      body: { ...plainBookRequirement('disputed lid', '2 Nm'), size: 'M4' },
    });
    const found = async () =>
      (await bookConflicts()).filter((each) => [first.id, other.id].includes(each.other.id));
    const rows = await found();
    // Tables come by their names, whichever was kept first.
    const ofTables = rows.find(({ firstRow }) => firstRow !== null);
    expect([ofTables?.first.id, ofTables?.other.id].sort()).toEqual([first.id, other.id].sort());
    expect(rows.map((each) => [each.first.id, each.firstRow, each.other.id, each.otherRow]).sort()).toEqual(
      [
        [ofTables?.first.id, 1, ofTables?.other.id, 1],
        [plain.id, null, first.id, 0],
        [plain.id, null, other.id, 0],
      ].sort(),
    );
    const ofRows = rows.find(({ firstRow }) => firstRow === 1);
    expect(ofRows?.first.body.torque.printed).toMatch(/^[45]\.5 N·m$/);
    // A job that took the row is told apart from one that took another row of the same table.
    const { kept: table, source: itsSource } = valueOrThrow(await readBookTable(first.id));
    const took = async (key: string) => {
      const row = lookUp(readLookupTable(table.body, 'N.m'), { keys: [key], valueColumn: 0 });
      const { torque, book } = fromLookUp(table, itsSource, row, false) as FromBook;
      const list = newJob(`position,label,requirement\nX1,lid,${torque.printed}\n`);
      const lines = list.lines.map((line) => ({ ...line, book }));
      valueOrThrow(await planJob({ ...list, lines }, await person('Lea')));
      return list.jobId;
    };
    const [ofM4, ofM5] = [await took('M4'), await took('M5')];
    const [one, two] = [ofTables?.first.id ?? '', ofTables?.other.id ?? ''];
    const effects = valueOrThrow(await conflictEffects(one, two, [1, 1]));
    const jobs = effects.map(({ job }) => job.id);
    expect([jobs.includes(ofM5), jobs.includes(ofM4)]).toEqual([true, false]);
    expect(code(await conflictEffects(one, two, [0, 0]))).toBe('not-in-conflict');
    expect(ofRows).toMatchObject({ decision: null, differencePercent: expect.closeTo(22.22, 1) });
    const decision = {
      first: other.id,
      firstRow: 1,
      other: first.id,
      otherRow: 1,
      chosen: other.id,
      chosenRow: 1,
      why: 'the newer table',
    };
    expect(code(await decideConflict({ ...decision, firstRow: 0 }, await person('Lea')))).toBe(
      'not-in-conflict',
    );
    valueOrThrow(await decideConflict(decision, await person('Lea')));
    expect((await found()).find(({ firstRow }) => firstRow === 1)?.decision).toMatchObject({
      chosen: other.id,
      chosenRow: 1,
      why: 'the newer table',
    });
  });
});

describe('where sources disagree', () => {
  test('both are shown, with the effect on the jobs; the decision stays, and a new revision asks again', async () => {
    const [a, b] = [await source('Label A'), await source('Letter B')];
    const first = await keep(requirementDraft(a.id, 'disputed clamp', '20 to 24 lbf·in'));
    const other = await keep(requirementDraft(b.id, 'disputed clamp', '14 to 18 lbf·in'));
    const tam = await person('Tam');
    const job = await jobOn(first.code);
    await appendEvents(job, await readyEvents(job, tam), tam);
    valueOrThrow(await appendEvents(job, pullEvents(await stateOf(job), 'X1', tam), tam));
    const find = async () => (await bookConflicts()).find(({ first: each }) => each.id === first.id);
    expect(await find()).toMatchObject({ other: { id: other.id }, decision: null });
    expect(valueOrThrow(await conflictEffects(first.id, other.id))).toMatchObject([
      {
        job: { id: job },
        would: other.id,
        pulled: 1,
        changed: [{ position: 'X1', was: 'in', would: 'high' }],
      },
    ]);
    const decision = { first: first.id, other: other.id, chosen: first.id, why: 'the label governs' };
    expect(code(await decideConflict(decision, tam))).toBe('role-may-not');
    expect(code(await decideConflict({ ...decision, chosen: uuidv7() }, await person('Lea')))).toBe(
      'not-in-conflict',
    );
    valueOrThrow(await decideConflict(decision, await person('Lea')));
    expect((await find())?.decision).toMatchObject({ chosen: first.id, why: 'the label governs', by: 'Lea' });
    expect(valueOrThrow(await readBookRequirement(first.code)).fromBook.book.decided).toEqual({
      why: 'the label governs',
      by: 'Lea',
    });
    await keep({
      ...requirementDraft(b.id, 'disputed clamp', '12 to 15 lbf·in'),
      id: other.id,
      basedOn: 1,
      why: 'second letter',
    });
    expect((await find())?.decision).toBeNull();
    await changeSource({ ...b, status: 'withdrawn' }, 'the maker took it back', await person('Lea'));
    expect(await find()).toBeUndefined();
  });
});

test('every requirement in force goes out as the import reads it', async () => {
  const { text } = await requirementsCsv();
  expect(text.split('\r\n')[0]).toContain('part,requirement,source');
  expect(text).toContain('disputed clamp');
  expect(text).not.toContain('aileron');
});

test('a change of school needs a reason and is kept with who and when', async () => {
  const site = await siteChoices();
  const changed = { ...site, schools: { ...site.schools, twoParts: 'overlap-else-lower' as const } };
  expect(code(await changeSite(changed, '', await person('Lea')))).toBe('why-missing');
  valueOrThrow(await changeSite(changed, 'agreed', await person('Lea')));
  expect((await changesOf('site-changed', null))[0]).toMatchObject({
    by: 'Lea',
    why: 'agreed',
    body: { changed: ['twoParts'] },
  });
  valueOrThrow(await changeSite(site, 'back', await person('Lea')));
});
