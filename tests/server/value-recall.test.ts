import { v5 as uuidv5, v7 as uuidv7 } from 'uuid';
import { beforeEach, describe, expect, test } from 'vitest';
import { valueOrThrow } from '#core/fault.ts';
import { fromNewtonMetres, newtonMetres } from '#core/quantity/unit.ts';
import { type FromBook, fromLookUp } from '#core/spec/book/from-book.ts';
import { lookUp } from '#core/spec/lookup/look-up.ts';
import { readLookupTable } from '#core/spec/lookup/lookup-table.ts';
import { targetOrNull } from '#core/view/fastener-target.ts';
import { appendEvents } from '#server/append/append-events.ts';
import { valueInAddress } from '#server/services/changed-value.ts';
import { exportRecord } from '#server/services/export-record.ts';
import { valueRecallCsv, valueRecallPdf } from '#server/services/export-value-recall.ts';
import { keepRequirement } from '#server/services/keep-requirement.ts';
import { addSource } from '#server/services/keep-source.ts';
import { keepTable } from '#server/services/keep-table.ts';
import { planJob } from '#server/services/plan-job.ts';
import { planRecheck } from '#server/services/plan-recheck.ts';
import { readBookRequirement, readBookTable } from '#server/services/read-book.ts';
import { changedValues, decideValueRecall, valueRecallAnswer } from '#server/services/recall-value.ts';
import type { KeptRequirement } from '#wire/book.ts';
import { requirementDraft } from './sample-book.ts';
import { newJob, person, pullEvents, readyEvents, signatureOf, signJob, stateOf } from './sample-site.ts';

const code = (result: { readonly ok: boolean; readonly refusal?: { readonly code: string } }) =>
  result.refusal?.code;

const sourceOf = async () =>
  valueOrThrow(
    await addSource({
      kind: 'manual',
      number: '',
      revision: 'A',
      datedOn: '',
      place: 'shelf',
      title: `Recalled book ${uuidv7()}`,
    }),
  );

const kept = async (part: string, printed: string, sourceId: string): Promise<KeptRequirement> =>
  valueOrThrow(await keepRequirement(requirementDraft(sourceId, part, printed), await person('Lea')));

const revised = async (
  { id, revision, sourceId, body }: KeptRequirement,
  printed: string,
  isWithdrawn = false,
) =>
  valueOrThrow(
    await keepRequirement(
      requirementDraft(sourceId, body.part, printed, {
        id,
        basedOn: revision,
        isWithdrawn,
        why: 'the print was misread',
      }),
      await person('Lea'),
    ),
  );

/** A job of two fasteners on a value of the book, both pulled and signed as done. */
const signedOn = async ({ torque, book }: FromBook): Promise<string> => {
  const tam = await person('Tam');
  const text = torque.readAs ?? torque.printed;
  const list = `position,label,x_mm,y_mm,requirement\nX1,pump,10,10,${text}\nX2,valve,20,10,${text}\n`;
  const job = newJob(list);
  valueOrThrow(
    await planJob({ ...job, lines: job.lines.map((line) => ({ ...line, book })) }, await person('Lea')),
  );
  valueOrThrow(await appendEvents(job.jobId, [...(await readyEvents(job.jobId, tam))], tam));
  for (const position of ['X1', 'X2'])
    valueOrThrow(
      await appendEvents(job.jobId, [...pullEvents(await stateOf(job.jobId), position, tam)], tam),
    );
  valueOrThrow(await signJob(job.jobId, await signatureOf(job.jobId, tam, 'done')));
  return job.jobId;
};

let requirement: KeptRequirement;
let job: string;

beforeEach(async () => {
  const { id } = await sourceOf();
  requirement = await kept(`recalled bolt ${uuidv7()}`, '20 to 24 lbf·in', id);
  job = await signedOn(valueOrThrow(await readBookRequirement(requirement.code)).fromBook);
});

const answer = async () => valueOrThrow(await valueRecallAnswer({ kind: 'requirement', id: requirement.id }));
const decide = async (change: object = {}, by: 'Lea' | 'Tam' = 'Lea') =>
  decideValueRecall(
    { kind: 'requirement', id: requirement.id },
    { jobId: job, revision: 2, what: 're-check', why: 'safety matters here', ...change },
    await person(by),
  );

describe('a requirement that was corrected after a signed job had been pulled to it', () => {
  test('every fastener is judged anew, decided by a lead, and its rework opens as a job with the value in force', async () => {
    expect((await answer()).jobs).toBe(0);
    await revised(requirement, '15 to 18 lbf·in');
    const found = await answer();
    expect(found).toMatchObject({
      facts: { before: '20 to 24 lbf·in', now: '15 to 18 lbf·in', revision: 2 },
      jobs: 1,
      pulled: 2,
      recalled: [{ jobId: job, isOpen: false, pulled: 2, decision: null }],
    });
    // 22 lbf·in against 18: 22.2 % above.
    expect(found.recalled[0]?.recalled.map(({ would }) => would)).toEqual(['high', 'high']);
    expect(found.recalled[0]?.recalled[0]?.outsidePercent).toBeCloseTo((22 / 18 - 1) * 100, 3);

    expect(code(await decide({}, 'Tam'))).toBe('role-may-not');
    expect(code(await decide({ revision: 1 }))).toBe('revision-stale');
    expect(code(await decide({ jobId: uuidv7() }))).toBe('not-found');
    // A reason that nobody can see is none.
    expect(code(await decide({ what: 'accept', why: '\u200b\u00a0' }))).toBe('why-missing');
    const { recheckJobId } = valueOrThrow(await decide());
    const rework = await stateOf(recheckJobId ?? '');
    const target = rework.fasteners[0] && targetOrNull(rework, rework.fasteners[0]);
    expect(fromNewtonMetres(newtonMetres(target?.high ?? 0), 'lbf.in')).toBeCloseTo(18, 6);
    expect(rework.fasteners.map(({ planned }) => planned.requirement.book?.revision)).toEqual([2, 2]);
    // Asked for again, as by a second click, it is the same job.
    expect(valueOrThrow(await decide())).toEqual({ recheckJobId });

    const state = await stateOf(job);
    expect(state.signatures).toHaveLength(1);
    expect(state.valueRecalls).toMatchObject([
      { code: requirement.code, revision: 2, outside: 2, recheckJobId },
    ]);
    expect((await answer()).recalled).toMatchObject([
      { decision: { what: 're-check', by: 'Lea' }, recheckJobId },
    ]);
    const record = JSON.parse(valueOrThrow(await exportRecord(job)).text) as {
      readonly statement: { readonly valueRecalls: readonly unknown[] };
    };
    expect(record.statement.valueRecalls).toMatchObject([{ what: 're-check' }]);
  });

  test('two leads who decide at once open one rework, and both decisions are in the record', async () => {
    await revised(requirement, '15 to 18 lbf·in');
    const [first, second] = await Promise.all([decide(), decide()]);
    const opened = [first, second].flatMap((each) => (each.ok ? [each.value.recheckJobId] : []));
    expect(new Set(opened).size).toBe(1);
    expect((await stateOf(job)).valueRecalls.length).toBeGreaterThanOrEqual(1);
  });

  test('asked for again after the site died between opening the rework and noting it, it is the same rework', async () => {
    await revised(requirement, '15 to 18 lbf·in');
    const id = uuidv5(`${requirement.id}.2`, job);
    valueOrThrow(await planRecheck(job, new Set(['X1', 'X2']), await person('Lea'), { id }));
    expect(valueOrThrow(await decide())).toEqual({ recheckJobId: id });
    expect((await stateOf(job)).valueRecalls).toMatchObject([{ recheckJobId: id }]);
  });

  test('it stands in the list of changed values, as CSV and as PDF', async () => {
    await revised(requirement, '15 to 18 lbf·in');
    const listed = [];
    for await (const value of changedValues()) listed.push(value.facts.id);
    expect(listed).toContain(requirement.id);
    const id = { kind: 'requirement', id: requirement.id } as const;
    const csv = Buffer.from(valueOrThrow(await valueRecallCsv(id)).bytes).toString();
    expect(csv.trim().split('\r\n')).toHaveLength(3);
    expect(csv).toContain(',X1,');
    const pdf = Buffer.from(valueOrThrow(await valueRecallPdf(id)).bytes);
    expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
  });

  test('a correction that every pull meets leaves nothing to decide', async () => {
    await revised(requirement, '18 to 26 lbf·in');
    expect(await answer()).toMatchObject({ pulled: 2, recalled: [] });
    expect(code(await decide())).toBe('nothing-recalled');
  });

  test('changed again after a decision it asks anew', async () => {
    const second = await revised(requirement, '15 to 18 lbf·in');
    valueOrThrow(await decide({ what: 'accept', why: 'within what the joint stands' }));
    await revised(second, '14 to 17 lbf·in');
    expect((await answer()).recalled).toMatchObject([{ decision: null }]);
    expect(code(await decide())).toBe('revision-stale');
  });
});

describe('a requirement that was withdrawn', () => {
  test('without one in its place nothing can be said, and no rework opens', async () => {
    await revised(requirement, '20 to 24 lbf·in', true);
    expect(await answer()).toMatchObject({ facts: { now: null, isWithdrawn: true }, pulled: 2 });
    expect((await answer()).recalled[0]?.recalled.map(({ would }) => would)).toEqual([
      'no-verdict',
      'no-verdict',
    ]);
    expect(code(await decide())).toBe('nothing-in-force');
    expect((await stateOf(job)).valueRecalls).toEqual([]);
    expect(valueOrThrow(await decide({ what: 'replace' }))).toEqual({ recheckJobId: null });
  });

  test('it is judged by the one in force for the same part and size; two of them settle nothing', async () => {
    await revised(requirement, '20 to 24 lbf·in', true);
    const { id } = await sourceOf();
    const other = await kept(requirement.body.part, '15 to 18 lbf·in', id);
    expect(await answer()).toMatchObject({ facts: { nowCode: other.code, now: '15 to 18 lbf·in' } });
    const { recheckJobId } = valueOrThrow(await decide());
    const rework = await stateOf(recheckJobId ?? '');
    expect(rework.fasteners[0]?.planned.requirement.book?.code).toBe(other.code);
    await kept(requirement.body.part, '15 to 18 lbf·in', (await sourceOf()).id);
    expect((await answer()).facts.nowCode).toBeNull();
  });
});

test('an address of another kind names no value', () => {
  expect(valueInAddress({ kind: 'requirement', value: 'a' })).toEqual({ kind: 'requirement', id: 'a' });
  expect(valueInAddress({ kind: 'table', value: 'a' })).toEqual({ kind: 'table', id: 'a' });
  expect(valueInAddress({ kind: 'tool', value: 'a' }).id).toBe('');
});

test('a row of a table is found again by what it prints, on whatever page it stands by now', async () => {
  const { id: sourceId } = await sourceOf();
  const lea = await person('Lea');
  const row = (key: string, value: string) => ({
    keys: [{ printed: key, readAs: null }],
    values: [{ printed: value, readAs: null }],
    note: '',
  });
  const draft = (rows: readonly ReturnType<typeof row>[], basedOn: number | null, id: string) => ({
    id,
    basedOn,
    sourceId,
    isWithdrawn: false,
    why: basedOn === null ? '' : 'misread',
    place: basedOn === null ? 'page 1' : 'page 7',
    body: {
      name: `Recalled table ${id}`,
      subject: 'recalled nut',
      keys: [{ name: 'Thread', kind: 'category' as const, unit: '' }],
      values: [{ name: 'Torque', kind: 'torque' as const, unit: 'lbf.in' as const }],
      rows,
      footnote: '',
      madeForMaterial: '',
      mayInterpolate: false,
    },
  });
  const id = uuidv7();
  valueOrThrow(await keepTable(draft([row('M4', '20 to 24'), row('M5', '30 to 34')], null, id), lea));
  const { kept: table, source } = valueOrThrow(await readBookTable(id));
  const found = lookUp(readLookupTable(table.body, 'N.m'), { keys: ['M4'], valueColumn: 0 });
  const signed = await signedOn(fromLookUp(table, source, found, false) as FromBook);
  valueOrThrow(await keepTable(draft([row('M5', '30 to 34'), row('M4', '15 to 18')], 1, id), lea));
  const recall = valueOrThrow(await valueRecallAnswer({ kind: 'table', id }));
  expect(recall).toMatchObject({ pulled: 2, recalled: [{ jobId: signed }] });
  expect(recall.recalled[0]?.recalled.map(({ would }) => would)).toEqual(['high', 'high']);
  // The row is gone: nothing in force says what it should be.
  valueOrThrow(await keepTable(draft([row('M5', '30 to 34')], 2, id), lea));
  const gone = valueOrThrow(await valueRecallAnswer({ kind: 'table', id }));
  expect(gone.recalled[0]?.recalled.map(({ would }) => would)).toEqual(['no-verdict', 'no-verdict']);
});
