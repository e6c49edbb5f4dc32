import { v7 as uuidv7 } from 'uuid';
import { afterAll, beforeAll, inject } from 'vitest';
import { judgePull } from '#core/command/judge-pull.ts';
import { jobViewOf } from '#core/event/apply.ts';
import { type JobEvent, type JobHappening, type UnplacedEvent, unplacedEvent } from '#core/event/event.ts';
import { lifted } from '#core/event/lifted.ts';
import { valueOrThrow } from '#core/fault.ts';
import { fastenerLines } from '#core/job/fastener-list.ts';
import type { Person } from '#core/people/person.ts';
import type { Tool } from '#core/tool/tool.ts';
import { type FastenerView, fastenerAt, type TakenTool } from '#core/view/bench.ts';
import type { JobView } from '#core/view/job-view.ts';
import { toolFor } from '#core/view/tool-for.ts';
import { wantedSetting } from '#core/view/wanted-setting.ts';
import { closeDatabase, database } from '#server/database/pool.ts';
import type { Knock } from '#server/knock.ts';
import { selectEvents } from '#server/queries/events.ts';
import { addPerson } from '#server/services/add-person.ts';
import { addTool } from '#server/services/add-tool.ts';
import { ownKinds, writeJointKind } from '#server/services/joint-kinds.ts';
import { planJob } from '#server/services/plan-job.ts';
import { everyone, jobEvents } from '#server/services/read-site.ts';
import { signJob as signJobFrom } from '#server/services/sign-job.ts';
import { cribTools } from '#server/services/tool-crib.ts';
import type { NewSignature } from '#wire/signature.ts';
import { CAUTIONS, SAMPLE_CABINET, TOOL, taken } from '../core/job/sample-job.ts';

process.env['JENTIK_APP_DATABASE_URL'] = inject('appUrl');
process.env['JENTIK_SEALING_KEYS'] = inject('sealingKeys');
// A test that wants a witness names one of its own: the databases of the others come and go.
process.env['JENTIK_WITNESS'] = '';
/** A kind of joint of the site's own: a cabinet whose being dead is ticked off. What these tests are about comes after it is safe. */
export const PLAIN_CABINET = { ...SAMPLE_CABINET, code: 'own-plain-cabinet', revision: 1 };

/** Writes that kind on the site that is there now, the first time. */
export const withPlainCabinet = async (): Promise<void> => {
  const isThere = (await ownKinds()).some(({ kind }) => kind.code === PLAIN_CABINET.code);
  if (!isThere) valueOrThrow(await writeJointKind(PLAIN_CABINET, 0, await person('Lea')));
};
beforeAll(withPlainCabinet);

afterAll(closeDatabase);

export const PINS = { Lea: '482615', Tam: '730194', Ines: '915362' } as const;
/** From where the tests' people ask: a device on which nobody has signed in. */
export const KNOCK: Knock = { address: '10.0.0.7', device: null, agent: 'tests' };

/** Signs a job from there. */
export const signJob = (job: string, signature: NewSignature): ReturnType<typeof signJobFrom> =>
  signJobFrom(job, signature, KNOCK);

const ROLES = { Lea: 'lead', Tam: 'technician', Ines: 'inspector' } as const;

/** A person of the tests' site by name, made the first time. */
export const person = async (name: keyof typeof PINS): Promise<Person> => {
  const known = await everyone();
  const found = known.find((each) => each.name === name);
  if (found) return found;
  const lead = known.find(({ role }) => role === 'lead') ?? null;
  if (!lead && name !== 'Lea') await person('Lea');
  const by = lead ?? (name === 'Lea' ? null : await person('Lea'));
  return valueOrThrow(await addPerson({ name, role: ROLES[name], pin: PINS[name] }, by));
};

/** The tests' screwdriver, added the first time. */
export const tool = async (): Promise<Tool> => {
  const found = (await cribTools()).find(({ tool: { code } }) => code === TOOL.code);
  if (found) return found.tool as Tool;
  const { id: _, limitPercent: _l, calibration: _c, ...newTool } = TOOL;
  return valueOrThrow(await addTool({ ...newTool, limitPercent: null }, await person('Lea')));
};

export const LIST =
  'position,label,x_mm,y_mm,conductor,requirement\nX1,pump,10,10,14 AWG,20 to 24 in-lb\nX2,valve,20,10,14 AWG,max 32 in-lb\n';

export const newJob = (list = LIST) => ({
  jobId: uuidv7(),
  eventId: uuidv7(),
  deviceTime: '2026-11-02T08:00:00.000Z',
  title: 'Test cabinet',
  groups: [
    {
      id: 'A',
      title: 'Terminals',
      jointKind: PLAIN_CABINET.code,
      seenFrom: 'from the door',
      irreplaceable: [],
    },
  ],
  asset: null,
  source: { title: 'Test list', revision: '', place: '' },
  lines: valueOrThrow(fastenerLines(list)).lines,
});

/** A planned job in the database. */
export const plannedJob = async (list = LIST): Promise<JobEvent> => {
  await withPlainCabinet();
  return lifted(valueOrThrow(await planJob(newJob(list), await person('Lea'))));
};

export const stateOf = async (job: string): Promise<JobView> => jobViewOf(await jobEvents(job, 0)) as JobView;

export const happening = (job: string, by: Person, what: JobHappening): UnplacedEvent =>
  unplacedEvent({ id: uuidv7(), job, deviceTime: '2026-11-02T08:01:00.000Z', person: by }, what);

/** The events that make a job ready for its first pull. */
export const readyEvents = async (job: string, by: Person): Promise<readonly UnplacedEvent[]> => [
  happening(job, by, { kind: 'tool-chosen', body: taken(await tool()) }),
  happening(job, by, { kind: 'cautions-confirmed', body: { cautions: CAUTIONS } }),
];

/** The setting and the click for a position, on a state. */
export const pullEvents = (state: JobView, position: string, by: Person): readonly UnplacedEvent[] => {
  const fastener = fastenerAt(state, position) as FastenerView;
  const wanted = valueOrThrow(wantedSetting(state, fastener));
  const setting = { text: wanted.text, value: wanted.setting, unit: 'lbf.in' } as const;
  const taken = toolFor(state, fastener) as TakenTool;
  const takenTools = new Map(state.takenTools).set(taken.tool.id, { ...taken, setting });
  const judged = judgePull(
    { ...state, takenTools },
    { position, method: 'click', readingText: null, readingStands: false },
  );
  return [
    happening(state.job, by, { kind: 'tool-set', body: { toolId: taken.tool.id, setting } }),
    happening(state.job, by, { kind: 'pull-made', body: valueOrThrow(judged) }),
  ];
};

export const eventsInDatabase = (job: string) => selectEvents(database(), job, 0);

/** A signature of the job as it stands now, with the person’s own PIN. */
export const signatureOf = async (
  job: string,
  by: Person,
  meaning: 'done' | 'inspected',
  change: object = {},
) => {
  const last = (await eventsInDatabase(job)).at(-1);
  return {
    eventId: uuidv7(),
    personId: by.id,
    pin: PINS[by.name as keyof typeof PINS],
    meaning,
    head: { sequence: last?.sequence ?? 1, hash: last?.hash ?? '' },
    madeNoPull: false,
    deviceTime: '2026-11-02T09:00:00.000Z',
    ...change,
  };
};
