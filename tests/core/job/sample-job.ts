import { v7 as uuidv7 } from 'uuid';
import { judgePull } from '#core/command/judge-pull.ts';
import { knowingNothing } from '#core/command/known.ts';
import { applied, jobViewOf } from '#core/event/apply.ts';
import { commandOf, decide, knewOf } from '#core/event/decide.ts';
import { type JobHappening, type UnplacedEvent, unplacedEvent } from '#core/event/event.ts';
import type { LedgerEvent } from '#core/event/lifted.ts';
import { valueOrThrow } from '#core/fault.ts';
import type { CheckBody } from '#core/job/check.ts';
import type { JobPlan } from '#core/job/plan.ts';
import type { PullMethod } from '#core/job/pull.ts';
import type { SignatureMeaning } from '#core/job/signature.ts';
import type { StepSaid } from '#core/job/step-done.ts';
import { CONTROL_CABINET_1 } from '#core/joint/kinds/control-cabinet-1.ts';
import { EMPTY_HEAD, placedEvent } from '#core/ledger/hash-chain.ts';
import type { Person } from '#core/people/person.ts';
import { NEWEST_RULES } from '#core/rules/rules-by-number.ts';
import { readRequirement } from '#core/spec/requirement/read-requirement.ts';
import { DEFAULT_SCHOOLS, type Schools } from '#core/target/schools.ts';
import type { Tool } from '#core/tool/tool.ts';
import { type FastenerView, fastenerAt, type TakenTool } from '#core/view/bench.ts';
import { cautionsOf } from '#core/view/due-steps.ts';
import type { JobView } from '#core/view/job-view.ts';
import { nextAction } from '#core/view/next-action.ts';
import { toolFor } from '#core/view/tool-for.ts';
import { isSetFor, wantedSetting } from '#core/view/wanted-setting.ts';

/** People, a tool and a job made up for the tests. */
export const TECHNICIAN: Person = {
  id: '0190a000-0000-7000-8000-000000000001',
  name: 'Tam',
  role: 'technician',
};
export const INSPECTOR: Person = {
  id: '0190a000-0000-7000-8000-000000000002',
  name: 'Ines',
  role: 'inspector',
};
export const LEAD: Person = { id: '0190a000-0000-7000-8000-000000000003', name: 'Lea', role: 'lead' };

export const TOOL: Tool = {
  id: '0190a000-0000-7000-8000-0000000000a1',
  code: 'T-1',
  kind: 'adjustable-screwdriver',
  toolClass: 'II-D',
  serial: 'S-1',
  scale: {
    form: 'barrel',
    unit: 'lbf.in',
    minimum: 5,
    maximum: 40,
    perTurn: 5,
    graduation: 0.5,
    mainStart: 5,
    raisedBy: 'clockwise',
  },
  otherUnits: [],
  limitPercent: 6,
  limitOf: 'reading',
  drive: 'hex-1/4',
  directions: ['right', 'left'],
  leverMillimetres: null,
  openingMillimetres: null,
  restSetting: 5,
  takenIntoUseOn: '2025-06-01',
  calibratedOn: '2026-01-10',
  calibrationDueOn: '2027-01-10',
  dueAfterPulls: 5000,
  calibration: null,
};

/** A tool taken in hand with nothing put on it and nothing against it. */
export const taken = (tool: Tool) =>
  ({ tool, adapters: [], blocks: [], override: null, groups: null, isBeside: false }) as const;

/** A cabinet whose being dead is ticked off: what most tests are about comes after it is safe. */
export const SAMPLE_CABINET = { ...CONTROL_CABINET_1, revision: 2 };

/** The cautions of a control cabinet, by their ids. */
export const CAUTIONS = SAMPLE_CABINET.steps.map(({ id }) => id);

/** A check of the fastener at position 1 as a person says it; what is decided of it is left at naught. */
export const sampleCheck = (change: Partial<CheckBody> = {}): CheckBody => ({
  position: '1',
  purpose: 'check',
  method: 'first-movement',
  toolId: TOOL.id,
  reading: { text: '22.5', value: 22.5, unit: 'lbf.in' },
  note: '',
  tool: { code: 'T-1', serial: 'S-1', calibrationDueOn: '2027-01-10' },
  lowNewtonMetres: 0,
  highNewtonMetres: 0,
  isInside: false,
  ...change,
});

export const JOB_ID = '0190a000-0000-7000-8000-0000000000b1';
const START_MS = Date.parse('2026-11-02T08:00:00.000Z');

/** A plan whose fasteners carry the given printed requirements, at positions 1, 2, 3 … */
export const samplePlan = (
  requirements: readonly string[],
  schools: Partial<Schools> = {},
  rules: number = NEWEST_RULES.number,
): JobPlan => ({
  rules,
  number: '0001',
  title: 'Sample cabinet',
  source: { title: 'Terminal list', revision: 'A', place: 'sheet 1' },
  siteUnit: 'N.m',
  schools: { ...DEFAULT_SCHOOLS, ...schools },
  asset: null,
  groups: [{ id: 'A', title: 'Sample cabinet', kind: SAMPLE_CABINET, seenFrom: 'from the door', parts: [] }],
  fasteners: requirements.map((printed, index) => ({
    position: String(index + 1),
    label: `terminal ${index + 1}`,
    group: 'A',
    xMm: 10 * index,
    yMm: 10,
    part: '',
    thread: '',
    direction: 'right',
    counterHold: '',
    isSingleUse: false,
    details: { conductor: '14 AWG' },
    drive: 'slot',
    driveAssumed: true,
    requirement: {
      printed,
      readAs: null,
      book: null,
      requirement: valueOrThrow(readRequirement(printed, 'N.m')).requirement,
    },
  })),
});

/** A step done, as a person says it; what is decided of it is left at naught. */
export const stepOf = (said: StepSaid) =>
  ({ kind: 'step-done', body: { ...said, limits: null, waitedMinutes: null, isGood: false } }) as const;

/** How the site receives an event at the moment it happens. */
export const receiptAt = (at: string) => ({
  clock: { device: null, offsetMilliseconds: 0, correctedTime: at, finding: null },
  serverTime: at,
});

/** A job that happens step by step: each call adds an event and answers the state after it. Throws when the fold refuses. */
export class SampleJob {
  static readonly cautions = CAUTIONS;
  /** When the next event happens. */
  nowMs = START_MS - 20_000;
  readonly events: UnplacedEvent[] = [];
  state: JobView;

  constructor(
    requirements: readonly string[] | JobPlan = ['20 to 24 in-lb', '20 to 24 in-lb', 'max 32 in-lb'],
    schools: Partial<Schools> = {},
    rules: number = NEWEST_RULES.number,
  ) {
    const plan = 'groups' in requirements ? requirements : samplePlan(requirements, schools, rules);
    const event = this.event({ kind: 'job-planned', body: plan });
    this.events.push(event);
    this.state = this.after(null, event);
  }

  event(happening: JobHappening, person: Person = TECHNICIAN): UnplacedEvent {
    this.nowMs += 20_000;
    const atMs = this.nowMs;
    return unplacedEvent(
      { id: uuidv7({ msecs: atMs }), job: JOB_ID, deviceTime: new Date(atMs).toISOString(), person },
      happening,
    );
  }

  /** What a person's bench decides; the known of the event itself is what was known. */
  decide(job: JobView | null, happening: JobHappening, person: Person = TECHNICIAN) {
    const at = new Date(this.nowMs + 20_000).toISOString();
    return decide(job, commandOf(happening), { ...knowingNothing(person), ...knewOf(happening), at });
  }

  private after(job: JobView | null, event: UnplacedEvent): JobView {
    valueOrThrow(this.decide(job, event, event.person));
    return applied(job, event) as JobView;
  }

  try(happening: JobHappening, person: Person = TECHNICIAN) {
    return this.decide(this.state, happening, person);
  }

  happen(happening: JobHappening, person: Person = TECHNICIAN): JobView {
    const event = this.event(valueOrThrow(this.try(happening, person)), person);
    this.state = applied(this.state, event) as JobView;
    this.events.push(event);
    return this.state;
  }

  wait(minutes: number): this {
    this.nowMs += minutes * 60_000;
    return this;
  }

  /** Does a step of a plan as a person says it. */
  step(said: StepSaid): this {
    this.happen(stepOf(said));
    return this;
  }

  ready(tool: Tool = TOOL): this {
    this.happen({ kind: 'tool-chosen', body: taken(tool) });
    this.happen({
      kind: 'cautions-confirmed',
      body: { cautions: cautionsOf(this.state.plan).map(({ id }) => id) },
    });
    return this;
  }

  setFor(position: string): this {
    const fastener = fastenerAt(this.state, position) as FastenerView;
    const wanted = valueOrThrow(wantedSetting(this.state, fastener));
    const taken = toolFor(this.state, fastener) as TakenTool;
    if (isSetFor(taken, wanted)) return this;
    const { tool } = taken;
    const setting = { text: wanted.text, value: wanted.setting, unit: tool.scale.unit };
    this.happen({ kind: 'tool-set', body: { toolId: tool.id, setting } });
    return this;
  }

  /** Puts right what went wrong at a fastener, as the bench leads through it. */
  mend(position: string): this {
    const { kind } = nextAction(this.state, position);
    if (kind === 'loosen') this.happen({ kind: 'fastener-loosened', body: { position } });
    else if (kind === 'inspect')
      this.happen({ kind: 'fastener-inspected', body: { position, isGood: true, note: '' } });
    else if (kind === 'replace') this.happen({ kind: 'fastener-replaced', body: { position, why: 'spent' } });
    else return this;
    return this.mend(position);
  }

  judge(
    position: string,
    method: PullMethod = 'click',
    readingText: string | null = null,
    readingStands = false,
    moved: boolean | null = null,
  ) {
    return judgePull(this.state, { position, method, readingText, readingStands, moved });
  }

  pull(
    position: string,
    method: PullMethod = 'click',
    readingText: string | null = null,
    moved: boolean | null = null,
  ): this {
    if (method !== 'by-feel') this.setFor(position);
    const judged = this.judge(position, method, readingText, false, moved);
    this.happen({ kind: 'pull-made', body: valueOrThrow(judged) });
    return this;
  }

  pullAll(): this {
    for (const { planned } of this.state.fasteners) this.pull(planned.position);
    return this;
  }

  /** Signs for where the chain stands. */
  sign(meaning: SignatureMeaning, person: Person): this {
    const last = this.chain().at(-1);
    const head = { sequence: last?.sequence ?? 1, hash: last?.hash ?? '' };
    this.happen({ kind: 'job-signed', body: { meaning, head, madeNoPull: false } }, person);
    return this;
  }

  signBoth(): this {
    this.sign('done', TECHNICIAN);
    this.sign('inspected', INSPECTOR);
    return this;
  }

  status(position: string): string | undefined {
    return fastenerAt(this.state, position)?.status;
  }

  /** The events placed in a chain, as a server would. */
  chain(): readonly LedgerEvent[] {
    let head = EMPTY_HEAD;
    return this.events.map((event) => {
      const { event: placed } = placedEvent(event, head, receiptAt(event.deviceTime));
      head = { sequence: placed.sequence, hash: placed.hash };
      return placed;
    });
  }

  refolded(): JobView {
    return jobViewOf(this.chain()) as JobView;
  }
}
