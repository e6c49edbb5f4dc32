import { v7 as uuidv7 } from 'uuid';
import { describe, expect, test } from 'vitest';
import type { JobHappening } from '#core/event/event.ts';
import { valueOrThrow } from '#core/fault.ts';
import { type Action, may } from '#core/people/may.ts';
import type { Person } from '#core/people/person.ts';
import { readPrinted } from '#core/spec/book/book-requirement.ts';
import type { Source } from '#core/spec/book/source.ts';
import { NO_CONDITIONS } from '#core/spec/requirement/conditions.ts';
import type { Tool } from '#core/tool/tool.ts';
import { appendEvents } from '#server/append/append-events.ts';
import { addPerson } from '#server/services/add-person.ts';
import { addTool } from '#server/services/add-tool.ts';
import { keepRequirement } from '#server/services/keep-requirement.ts';
import { keepSession } from '#server/services/keep-session.ts';
import { addSource, changeSource } from '#server/services/keep-source.ts';
import { reportTool } from '#server/services/report-tool.ts';
import { OPERATIONS } from '#wire/api.ts';
import type { Operation } from '#wire/operation.ts';
import { TOOL, taken } from '../core/job/sample-job.ts';
import { session } from './sample-session.ts';
import {
  happening,
  person,
  plannedJob,
  pullEvents,
  readyEvents,
  signatureOf,
  signJob,
  stateOf,
  tool,
} from './sample-site.ts';

type Outcome = { readonly ok: boolean; readonly refusal?: { readonly code: string } };
const NAMES = ['Tam', 'Ines', 'Lea'] as const;

const sent = async (by: Person, what: (job: string) => Promise<JobHappening>): Promise<Outcome> => {
  const { job } = await plannedJob();
  const event = happening(job, by, await what(job));
  const { refused } = valueOrThrow(await appendEvents(job, [event], by));
  return refused ? { ok: false, refusal: refused.problem } : { ok: true };
};

const worked = async (by: Person): Promise<string> => {
  const { job } = await plannedJob();
  await appendEvents(job, await readyEvents(job, by), by);
  for (const position of ['X1', 'X2'])
    await appendEvents(job, pullEvents(await stateOf(job), position, by), by);
  return job;
};

const sign = async (job: string, by: Person, meaning: 'done' | 'inspected'): Promise<Outcome> =>
  signJob(job, await signatureOf(job, by, meaning, { madeNoPull: true }));

const someoneElse = (by: Person) => person(by.name === 'Tam' ? 'Lea' : 'Tam');

/** What a person does to find out whether they may, for each part of an operation that needs more than the operation itself. */
const ATTEMPTS: Partial<Record<Action, (by: Person) => Promise<Outcome>>> = {
  'override-tool': (by) =>
    sent(by, async () => ({
      kind: 'tool-chosen',
      body: { ...taken(await tool()), override: 'checked today' },
    })),
  'move-rules': (by) =>
    sent(by, async () => ({ kind: 'rules-moved', body: { from: 2, to: 1, why: 'a try', differing: [] } })),
  'check-fastener': async (by) => {
    const job = await worked(await person('Tam'));
    const { id: toolId, code, serial, calibrationDueOn } = await tool();
    const body = {
      position: 'X1',
      purpose: 'check',
      method: 'first-movement',
      toolId,
      reading: { text: '22', value: 22, unit: 'lbf.in' },
      note: '',
      tool: { code, serial, calibrationDueOn },
      lowNewtonMetres: 0,
      highNewtonMetres: 0,
      isInside: false,
    } as const;
    const event = happening(job, by, { kind: 'fastener-checked', body });
    const { refused } = valueOrThrow(await appendEvents(job, [event], by));
    return refused ? { ok: false, refusal: refused.problem } : { ok: true };
  },
  'reopen-job': async (by) => {
    const worker = await someoneElse(by);
    const job = await worked(worker);
    await sign(job, worker, 'done');
    const event = happening(job, by, { kind: 'job-reopened', body: { why: 'loose' } });
    const { refused } = valueOrThrow(await appendEvents(job, [event], by));
    return refused ? { ok: false, refusal: refused.problem } : { ok: true };
  },
  'sign-inspected': async (by) => {
    const worker = await someoneElse(by);
    const job = await worked(worker);
    await sign(job, worker, 'done');
    return sign(job, by, 'inspected');
  },
  'change-source-status': async (by) => {
    const source = await anySource();
    return changeSource({ ...source, status: 'withdrawn' }, 'replaced', by);
  },
  'rename-source': async (by) => {
    const source = await anySource();
    return changeSource({ ...source, title: `${source.title}, renamed` }, 'misread', by);
  },
  'withdraw-others': async (by) => {
    const { id: sourceId } = await anySource();
    const torque = valueOrThrow(readPrinted('12 Nm', null, 'N.m'));
    const conditions = NO_CONDITIONS;
    const part = `part ${uuidv7().slice(-6)}`;
    const body = {
      part,
      size: '',
      place: '',
      torque,
      otherPart: null,
      conditions,
      isPartSofter: false,
      note: '',
    };
    const draft = { id: uuidv7(), basedOn: null, sourceId, isWithdrawn: false, why: '', body };
    valueOrThrow(await keepRequirement(draft, await someoneElse(by)));
    return keepRequirement({ ...draft, basedOn: 1, isWithdrawn: true, why: 'wrong part' }, by);
  },
  'release-quarantine': async (by) => {
    const quarantined = await newTool();
    valueOrThrow(
      await reportTool(quarantined.id, { kind: 'dropped', why: 'on concrete' }, await person('Tam')),
    );
    return keepSession(session(quarantined, [1, 1, 1]), by);
  },
  'keep-narrowed': async (by) => keepSession(session(await newTool(), [1, 2, 9], { keepNarrowed: true }), by),
  'lend-or-retire-tool': async (by) =>
    reportTool(uuidv7(), { kind: 'retired', why: 'worn' }, by).then((result) =>
      // A tool that is not there is found out first; the right is asked for one that is.
      result.ok || result.refusal.code !== 'not-found' ? result : retire(by),
    ),
  'calibrate-tool': async (by) =>
    keepSession(
      {
        id: uuidv7(),
        toolId: (await tool()).id,
        kind: 'in-house',
        doneOn: '2026-11-01',
        reference: 'bench tester',
        referenceExpandedPercent: 0.5,
        certificate: '',
        asFound: [{ shown: 2, references: [] }],
        asLeft: null,
        keepNarrowed: false,
        nextDueOn: '2027-01-10',
        note: '',
      },
      by,
    ),
  'add-person': (by) => addPerson({ name: `New ${uuidv7()}`, role: 'technician', pin: '640283' }, by),
};

const newTool = async (): Promise<Tool> => {
  const { id: _, limitPercent: _l, calibration: _c, ...described } = TOOL;
  const code = `R-${uuidv7().slice(-8)}`;
  return valueOrThrow(await addTool({ ...described, code, limitPercent: null }, await person('Lea')));
};

const retire = async (by: Person): Promise<Outcome> =>
  reportTool((await newTool()).id, { kind: 'retired', why: 'worn' }, by);

const anySource = async (): Promise<Source> =>
  valueOrThrow(
    await addSource({
      title: `S ${uuidv7()}`,
      kind: 'manual',
      number: '',
      revision: '',
      datedOn: '',
      place: '',
    }),
  );

const parts = [
  ...new Set(Object.values<Operation>(OPERATIONS).flatMap(({ also = [] }) => also)),
] as readonly Action[];

describe('every part of an operation that needs a right of its own, by role', () => {
  test('each has an attempt', () => {
    expect(parts.filter((action) => !ATTEMPTS[action])).toEqual([]);
  });

  test.each(parts.flatMap((action) => NAMES.map((name) => ({ action, name }))))(
    '$action by $name',
    async ({ action, name }) => {
      const by = await person(name);
      const result = await ATTEMPTS[action]?.(by);
      expect(result?.refusal?.code === 'role-may-not').toBe(!may(by, action));
    },
  );
});
