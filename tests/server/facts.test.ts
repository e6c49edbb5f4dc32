import { v7 as uuidv7 } from 'uuid';
import { describe, expect, test } from 'vitest';
import { judgePull } from '#core/command/judge-pull.ts';
import type { UnplacedEvent } from '#core/event/event.ts';
import { lifted } from '#core/event/lifted.ts';
import { valueOrThrow } from '#core/fault.ts';
import { audit } from '#core/ledger/audit.ts';
import type { Person } from '#core/people/person.ts';
import type { Tool } from '#core/tool/tool.ts';
import { fastenerAt } from '#core/view/bench.ts';
import { nextAction } from '#core/view/next-action.ts';
import { appendEvents, unknownContact } from '#server/append/append-events.ts';
import type { Contact } from '#server/append/event-clock.ts';
import { inTransaction } from '#server/database/transaction.ts';
import { lockTool } from '#server/queries/tools.ts';
import { addToolEvent, standingOf } from '#server/services/add-tool-event.ts';
import { exportRecord } from '#server/services/export-record.ts';
import { reportTool } from '#server/services/report-tool.ts';
import { sampleCheck, taken } from '../core/job/sample-job.ts';
import {
  eventsInDatabase,
  happening,
  person,
  plannedJob,
  pullEvents,
  readyEvents,
  tool as sampleTool,
  signatureOf,
  signJob,
  stateOf,
} from './sample-site.ts';

const append = async (job: string, by: Person, events: readonly UnplacedEvent[], contact?: Contact) =>
  valueOrThrow(await appendEvents(job, events, by, contact));

/** A job ready for its first pull, and the pull at X1 that a device made of it. */
const readyPull = async () => {
  const { job } = await plannedJob();
  const tam = await person('Tam');
  await append(job, tam, await readyEvents(job, tam));
  const [set, pull] = pullEvents(await stateOf(job), 'X1', tam) as [UnplacedEvent, UnplacedEvent];
  if (pull.kind !== 'pull-made') throw new Error('expected a pull');
  return { job, tam, set, pull };
};
const bodyOf = async (job: string, id: string) => {
  const event = (await eventsInDatabase(job)).map(lifted).find((each) => each.id === id);
  if (event?.kind !== 'pull-made') throw new Error('the pull is not there');
  return event.body;
};

describe('a pull that happened is recorded', () => {
  test('a last digit that two engines see differently: the site’s stands, the other is kept beside it', async () => {
    const { job, tam, set, pull } = await readyPull();
    const shown = { ...pull.body, probability: (pull.body.probability ?? 0) - 0.0001 };
    const { placed, refused } = await append(job, tam, [set, { ...pull, body: shown }]);
    expect([placed.length, refused]).toEqual([2, null]);
    const body = await bodyOf(job, pull.id);
    expect(body.probability).toBe(pull.body.probability);
    expect(body.shown?.probability).toBe(shown.probability);
    expect(body.objections).toBeNull();
  });

  test('a verdict made up is kept as what was shown, and the site’s own stands', async () => {
    const { job, tam, set, pull } = await readyPull();
    const made = { ...pull.body, highNewtonMetres: 99, outcome: 'low', probability: 0 } as const;
    await append(job, tam, [set, { ...pull, body: made }]);
    const body = await bodyOf(job, pull.id);
    expect(body).toMatchObject({ outcome: 'in', shown: { outcome: 'low', highNewtonMetres: 99 } });
  });

  test('the tool went into quarantine meanwhile: recorded without a verdict, and why', async () => {
    const { job, tam, set, pull } = await readyPull();
    const tool = await sampleTool();
    valueOrThrow(await reportTool(tool.id, { kind: 'dropped', why: 'off the ladder' }, tam));
    await append(job, tam, [set, pull]);
    expect(await bodyOf(job, pull.id)).toMatchObject({
      outcome: 'no-verdict',
      probability: null,
      shown: { outcome: 'in' },
      objections: [{ code: 'tool-blocked', about: 'quarantined' }],
    });
    const after = await stateOf(job);
    expect(fastenerAt(after, 'X1')?.status).toBe('no-verdict');
    expect(nextAction(after, 'X2')).toMatchObject({
      kind: 'another-tool',
      refusal: { code: 'tool-blocked' },
    });
    await backInUse(tool);
  });

  test('a colleague pulled first: both are in the record, and the second one says so', async () => {
    const { job, tam, set, pull } = await readyPull();
    const ines = await person('Ines');
    const [, hers] = pullEvents(await stateOf(job), 'X1', ines) as [UnplacedEvent, UnplacedEvent];
    await append(job, tam, [set]);
    await append(job, ines, [hers]);
    await append(job, tam, [pull]);
    expect(fastenerAt(await stateOf(job), 'X1')?.pulls).toHaveLength(2);
    expect(await bodyOf(job, pull.id)).toMatchObject({
      outcome: 'in',
      objections: [{ code: 'pulled-meanwhile', about: 'Ines' }],
    });
  });

  test('a colleague over-tightened it meanwhile: a click on top of that gets no verdict', async () => {
    const { job, tam, set, pull } = await readyPull();
    await append(job, tam, [set]);
    const view = await stateOf(job);
    const facts = { position: 'X1', method: 'over-shot', readingText: null, readingStands: false } as const;
    const body = valueOrThrow(judgePull(view, facts));
    await append(job, tam, [happening(job, tam, { kind: 'pull-made', body })]);
    await append(job, tam, [pull]);
    expect((await bodyOf(job, pull.id)).objections?.map(({ code }) => code)).toEqual([
      'loosen-first',
      'remedy-left',
      'pulled-meanwhile',
    ]);
    expect(fastenerAt(await stateOf(job), 'X1')).toMatchObject({ status: 'no-verdict', isPastLimit: true });
  });

  test('the job was signed meanwhile: the pull is in the record and strikes what was signed without it', async () => {
    const { job, tam, set, pull } = await readyPull();
    for (const position of ['X1', 'X2'])
      await append(job, tam, pullEvents(await stateOf(job), position, tam));
    valueOrThrow(await signJob(job, await signatureOf(job, tam, 'done')));
    await append(job, tam, [pull]);
    const view = await stateOf(job);
    expect(view.signatures).toEqual([]);
    expect(view.struck).toMatchObject([{ meaning: 'done', because: 'later-pull' }]);
    expect((await bodyOf(job, pull.id)).objections?.[0]).toEqual({ code: 'job-signed', about: 'Tam' });
    void set;
  });

  test('all of that audits clean from the events alone, and the record of it holds', async () => {
    const { job, tam, set, pull } = await readyPull();
    const tool = await sampleTool();
    valueOrThrow(await reportTool(tool.id, { kind: 'dropped', why: 'off the ladder' }, tam));
    await append(job, tam, [set, { ...pull, body: { ...pull.body, outcome: 'low' } }]);
    expect(audit(await eventsInDatabase(job))).toEqual([]);
    expect((await exportRecord(job)).ok).toBe(true);
    await backInUse(tool);
  });

  test('a pull sent again after it was judged otherwise answers as it did the first time', async () => {
    const { job, tam, set, pull } = await readyPull();
    const made = { ...pull, body: { ...pull.body, outcome: 'high' } } as UnplacedEvent;
    const first = await append(job, tam, [set, made]);
    expect(await append(job, tam, [set, made])).toEqual(first);
    const other = { ...pull, body: { ...pull.body, position: 'X2' } } as UnplacedEvent;
    expect((await append(job, tam, [other])).refused?.problem.code).toBe('event-id-used');
  });
});

/** Ends a quarantine as it was begun: by a line in the tool's own list. */
const backInUse = (tool: Tool): Promise<void> =>
  inTransaction(async (db) => {
    const known = await lockTool(db, tool.id);
    if (!known) throw new Error('expected the tool');
    await addToolEvent(db, {
      toolId: tool.id,
      at: new Date().toISOString(),
      by: await person('Lea'),
      kind: 'session',
      body: {},
      after: { tool: known.tool, ...standingOf({ ...known.facts, quarantine: null }) },
    });
  });

describe('what is claimed is checked', () => {
  const code = (result: { readonly refused: { readonly problem: { readonly code: string } } | null }) =>
    result.refused?.problem.code;

  test.each([
    ['a reading', { reading: { text: '999', value: 22, unit: 'lbf.in' }, method: 'reading' }],
    ['a setting', { setting: { text: '22.0', value: 23, unit: 'lbf.in' } }],
  ] as const)('%s whose number its text does not say', async (_, claim) => {
    const { job, tam, set, pull } = await readyPull();
    const forged = { ...pull, body: { ...pull.body, ...claim } } as UnplacedEvent;
    expect(code(await append(job, tam, [set, forged]))).toBe('claim-untrue');
  });

  test('a run-on torque, and a setting that is said to be made, whose number their text does not say', async () => {
    const { job, tam } = await readyPull();
    const torque = { text: '2.0', value: 9, unit: 'lbf.in' } as const;
    const runOn = happening(job, tam, { kind: 'run-on-measured', body: { position: 'X1', torque } });
    expect(code(await append(job, tam, [runOn]))).toBe('claim-untrue');
    const toolId = (await sampleTool()).id;
    const set = happening(job, tam, { kind: 'tool-set', body: { toolId, setting: torque } });
    expect(code(await append(job, tam, [set]))).toBe('claim-untrue');
  });

  test('a requirement that its print does not say, or that a clear print is said to mean', async () => {
    const { job, tam } = await readyPull();
    const { requirement } = (await stateOf(job)).fasteners[0]?.planned ?? {};
    if (!requirement) throw new Error('expected a requirement');
    const moved = (change: object) =>
      happening(job, tam, {
        kind: 'requirement-moved',
        body: { position: 'X1', requirement: { ...requirement, ...change }, why: 'a try' },
      });
    expect(code(await append(job, tam, [moved({ printed: '10 to 34 in-lb' })]))).toBe('requirement-misread');
    const reread = {
      readAs: '40 to 50 in-lb',
      requirement: {
        kind: 'range',
        low: { text: '40', value: 40, unit: 'lbf.in' },
        high: { text: '50', value: 50, unit: 'lbf.in' },
      },
    };
    expect(code(await append(job, tam, [moved(reread)]))).toBe('requirement-misread');
    expect(code(await append(job, tam, [moved({})]))).toBeUndefined();
  });

  test('a check with a tool that the crib has not, and one whose limits are the site’s own', async () => {
    const { job, tam, set, pull } = await readyPull();
    await append(job, tam, [set, pull]);
    const tool = await sampleTool();
    const body = sampleCheck({
      position: 'X1',
      toolId: tool.id,
      tool: { code: 'FINE-1', serial: '?', calibrationDueOn: '2099-01-01' },
      highNewtonMetres: 99,
      isInside: true,
    });
    const foreign = happening(job, tam, { kind: 'fastener-checked', body: { ...body, toolId: uuidv7() } });
    expect(code(await append(job, tam, [foreign]))).toBe('tool-changed');
    const { placed } = await append(job, tam, [happening(job, tam, { kind: 'fastener-checked', body })]);
    expect(placed[0]?.body).toMatchObject({
      tool: { code: tool.code, serial: tool.serial, calibrationDueOn: tool.calibrationDueOn },
      isInside: true,
    });
    // 24 lbf·in is 2.7116 N·m.
    expect(placed[0]?.body).toMatchObject({ highNewtonMetres: expect.closeTo(2.711636, 5) });
  });

  test('a lead’s decision by a technician: an override, other rules, opening a job again', async () => {
    const { job, tam } = await readyPull();
    const override = { ...taken(await sampleTool()), override: 'it is fine' };
    const rules = { from: 2, to: 1, why: 'easier', differing: [] };
    for (const event of [
      happening(job, tam, { kind: 'tool-chosen', body: override }),
      happening(job, tam, { kind: 'rules-moved', body: rules }),
    ])
      expect(code(await append(job, tam, [event]))).toBe('role-may-not');
  });

  test('a recall decision is not sent as an event', async () => {
    const { job, tam } = await readyPull();
    const body = { sessionId: uuidv7(), toolCode: 'T-1', what: 'accept', why: 'x', outside: 0 };
    expect(code(await append(job, tam, [happening(job, tam, { kind: 'recall-noted', body })]))).toBe(
      'kind-not-accepted',
    );
    const value = {
      refId: uuidv7(),
      code: 'R-1',
      revision: 2,
      what: 'accept',
      why: 'x',
      outside: 0,
      recheckJobId: null,
    };
    const sent = happening(job, tam, { kind: 'value-recall-noted', body: value });
    expect(code(await append(job, tam, [sent]))).toBe('kind-not-accepted');
  });
});

describe('that somebody took the bench over off the network', () => {
  test('is taken of somebody who works here, as they are named here, and of nobody else', async () => {
    const [tam, ines] = [await person('Tam'), await person('Ines')];
    const { job } = await plannedJob();
    const sent = async (claimed: Person) => {
      const event = happening(job, tam, {
        kind: 'bench-taken-over',
        body: { claimed, since: '2026-11-02T08:00:00.000Z' },
      });
      return valueOrThrow(await appendEvents(job, [event], tam)).refused?.problem ?? null;
    };
    const untrue = { code: 'claim-untrue', field: 'claimed' };
    expect(await sent({ ...ines, role: 'lead' })).toEqual(untrue);
    expect(await sent({ ...ines, id: uuidv7() })).toEqual(untrue);
    expect(await sent(tam)).toEqual(untrue);
    expect(await sent(ines)).toBeNull();
    expect((await stateOf(job)).claims).toMatchObject([{ claimed: ines, person: tam, confirmedAt: null }]);
  });
});

describe('times', () => {
  const contact = (part: Partial<Contact>): Contact => ({
    ...unknownContact(),
    receivedAt: '2026-11-02T12:00:00.000Z',
    sentAt: '2026-11-02T12:00:00.000Z',
    signedInAt: '2026-11-02T08:00:00.000Z',
    ...part,
  });
  const placedAt = async (deviceTime: string, part: Partial<Contact>) => {
    const { job } = await plannedJob();
    const tam = await person('Tam');
    const event = {
      ...happening(job, tam, { kind: 'left-open', body: { position: 'X1', why: 'spare' } }),
      deviceTime,
    };
    const { placed } = await append(job, tam, [event], contact(part));
    return placed[0]?.clock;
  };

  test.each([
    ['a clock that is right', '2026-11-02T11:30:00.000Z', {}, '2026-11-02T11:30:00.000Z', null],
    [
      'a clock five minutes slow is put right by what it said as it sent',
      '2026-11-02T11:25:00.000Z',
      { sentAt: '2026-11-02T11:55:00.000Z' },
      '2026-11-02T11:30:00.000Z',
      null,
    ],
    [
      'a year fast',
      '2027-11-02T11:30:00.000Z',
      { sentAt: '2027-11-02T12:00:00.000Z' },
      '2026-11-02T11:30:00.000Z',
      null,
    ],
    [
      'from last month, when the tool was not yet overdue',
      '2026-10-02T11:30:00.000Z',
      {},
      '2026-11-02T12:00:00.000Z',
      'before-sign-in',
    ],
    ['at the sign-in', '2026-11-02T08:00:00.000Z', {}, '2026-11-02T08:00:00.000Z', null],
    ['after it was sent', '2026-11-02T12:00:00.001Z', {}, '2026-11-02T12:00:00.000Z', 'after-receipt'],
  ] as const)('%s', async (_, deviceTime, part, correctedTime, finding) => {
    expect(await placedAt(deviceTime, part)).toMatchObject({ correctedTime, finding });
  });

  test('a time that can’t be true makes no overdue tool fit: the receipt’s day decides', async () => {
    const { job } = await plannedJob();
    const tam = await person('Tam');
    const chosen = happening(job, tam, { kind: 'tool-chosen', body: taken(await sampleTool()) });
    const early = { ...chosen, deviceTime: '2026-11-01T08:00:00.000Z' };
    const late = contact({
      receivedAt: '2027-02-01T12:00:00.000Z',
      sentAt: null,
      signedInAt: '2027-02-01T08:00:00.000Z',
    });
    const { placed } = await append(job, tam, [early], late);
    expect(placed[0]?.body).toMatchObject({ blocks: ['overdue-time'] });
  });
});

describe('a signature', () => {
  const finished = async () => {
    const { job, tam } = await readyPull();
    for (const position of ['X1', 'X2'])
      await append(job, tam, pullEvents(await stateOf(job), position, tam));
    return { job, tam };
  };

  test('names the head that was on the screen, and asks again when it moved', async () => {
    const { job, tam } = await finished();
    const before = await signatureOf(job, tam, 'done');
    const mark = happening(job, tam, { kind: 'witness-marked', body: { position: 'X1' } });
    await append(job, tam, [mark]);
    expect(await signJob(job, before)).toMatchObject({
      refusal: { code: 'head-moved', now: before.head.sequence + 1 },
    });
    const after = await signatureOf(job, tam, 'done');
    expect(valueOrThrow(await signJob(job, after)).body).toEqual({
      meaning: 'done',
      head: after.head,
      madeNoPull: false,
    });
  });

  test('by who made no pull is asked about, and the record says it', async () => {
    const { job } = await finished();
    const lea = await person('Lea');
    expect(await signJob(job, await signatureOf(job, lea, 'done'))).toMatchObject({
      refusal: { code: 'no-pull-by-signer' },
    });
    valueOrThrow(await signJob(job, await signatureOf(job, lea, 'done', { madeNoPull: true })));
    const { statement } = JSON.parse(valueOrThrow(await exportRecord(job)).text);
    expect(statement.signatures).toMatchObject([
      { meaning: 'done', madeNoPull: true, person: { name: 'Lea' } },
    ]);
  });

  test('one who pulled can’t claim to have made none', async () => {
    const { job, tam } = await finished();
    const placed = valueOrThrow(
      await signJob(job, await signatureOf(job, tam, 'done', { madeNoPull: true })),
    );
    expect(placed.body).toMatchObject({ madeNoPull: false });
  });

  test('stands when a check or a settling reading is added, and says so in the record', async () => {
    const { job, tam } = await finished();
    valueOrThrow(await signJob(job, await signatureOf(job, tam, 'done')));
    const tool = await sampleTool();
    const { code, serial, calibrationDueOn } = tool;
    const body = sampleCheck({
      position: 'X2',
      purpose: 'settling',
      method: 'second-click',
      toolId: tool.id,
      reading: { text: '25.5', value: 25.5, unit: 'lbf.in' },
      note: 'after an hour',
      tool: { code, serial, calibrationDueOn },
    });
    await append(job, tam, [happening(job, tam, { kind: 'fastener-checked', body })]);
    const view = await stateOf(job);
    expect([view.signatures.length, view.struck.length, view.checks.length]).toEqual([1, 0, 1]);
    const { statement } = JSON.parse(valueOrThrow(await exportRecord(job)).text);
    expect(statement.checks).toMatchObject([{ position: 'X2', purpose: 'settling', isInside: true }]);
    expect(statement.stage).toBe('done');
  });
});
