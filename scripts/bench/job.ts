import { hash } from 'node:crypto';
import { v7 as uuidv7 } from 'uuid';
import { judgePull } from '#core/command/judge-pull.ts';
import { applied, jobViewOf } from '#core/event/apply.ts';
import { type JobHappening, type UnplacedEvent, unplacedEvent } from '#core/event/event.ts';
import { inKeyOrder } from '#core/event/event-forms.ts';
import type { LedgerEvent } from '#core/event/lifted.ts';
import { valueOrThrow } from '#core/fault.ts';
import { type FastenerLine, fastenerLines, readFastenerLines } from '#core/job/fastener-list.ts';
import { CONTROL_CABINET_1 } from '#core/joint/kinds/control-cabinet-1.ts';
import { EMPTY_HEAD, firstBreak, placedEvent } from '#core/ledger/hash-chain.ts';
import { readingOrder } from '#core/order/reading-order.ts';
import type { Person } from '#core/people/person.ts';
import { NEWEST_RULES } from '#core/rules/rules-by-number.ts';
import { DEFAULT_SCHOOLS } from '#core/target/schools.ts';
import type { Tool } from '#core/tool/tool.ts';
import { type FastenerView, fastenerAt } from '#core/view/bench.ts';
import type { JobView } from '#core/view/job-view.ts';
import { wantedSetting } from '#core/view/wanted-setting.ts';
import { terminalList } from '../load/site-client.ts';
import { measured, printFigure, timed } from './measured.ts';

const TERMINALS = 400;

const list = terminalList(TERMINALS);

const readLines = (lines: readonly FastenerLine[]) =>
  readFastenerLines(lines, { kindOf: () => CONTROL_CABINET_1, siteUnit: 'N.m', schools: DEFAULT_SCHOOLS });

const person: Person = { id: uuidv7(), name: 'Bench', role: 'technician' };
const tool: Tool = {
  id: uuidv7(),
  code: 'T',
  kind: 'adjustable-screwdriver',
  toolClass: 'II-D',
  serial: '1',
  scale: {
    form: 'barrel',
    unit: 'lbf.in',
    minimum: 4,
    maximum: 36,
    perTurn: 4,
    graduation: 0.5,
    mainStart: 4,
    raisedBy: 'clockwise',
  },
  otherUnits: [],
  limitPercent: 6,
  limitOf: 'reading',
  drive: 'hex-1/4',
  directions: ['right', 'left'],
  leverMillimetres: null,
  openingMillimetres: null,
  restSetting: 4,
  takenIntoUseOn: '2025-01-01',
  calibratedOn: '2026-01-01',
  calibrationDueOn: '2027-01-01',
  dueAfterPulls: 5000,
  calibration: null,
};

const receipt = (at: string) => ({
  clock: { device: null, offsetMilliseconds: null, correctedTime: at, finding: null },
  serverTime: at,
});

const workedJob = (
  pullsEach: number,
): { readonly events: readonly UnplacedEvent[]; readonly state: JobView } => {
  const job = uuidv7();
  const events: UnplacedEvent[] = [];
  let state: JobView | null = null;
  const happen = (happening: JobHappening): JobView => {
    const event = unplacedEvent(
      { id: uuidv7(), job, deviceTime: '2026-11-02T08:00:00.000Z', person },
      happening,
    );
    events.push(event);
    state = applied(state, event);
    return state as JobView;
  };
  const fasteners = readLines(valueOrThrow(fastenerLines(list)).lines).flatMap(
    ({ fastener }) => fastener ?? [],
  );
  const plan = {
    number: '0001',
    title: 'Bench',
    rules: NEWEST_RULES.number,
    asset: null,
    groups: [{ id: 'A', title: 'Bench', kind: CONTROL_CABINET_1, seenFrom: 'here', parts: [] }],
    source: { title: 'x', revision: '', place: '' },
    siteUnit: 'N.m',
    schools: DEFAULT_SCHOOLS,
    fasteners,
  } as const;
  happen({ kind: 'job-planned', body: plan });
  happen({
    kind: 'tool-chosen',
    body: { tool, adapters: [], blocks: [], override: null, groups: null, isBeside: false },
  });
  let now = happen({
    kind: 'cautions-confirmed',
    body: { cautions: CONTROL_CABINET_1.steps.map(({ id }) => id) },
  });
  const wanted = valueOrThrow(wantedSetting(now, fastenerAt(now, 'P1') as FastenerView));
  now = happen({
    kind: 'tool-set',
    body: { toolId: tool.id, setting: { text: wanted.text, value: wanted.setting, unit: 'lbf.in' } },
  });
  for (let index = 1; index <= TERMINALS; index += 1)
    for (let pull = 0; pull < pullsEach; pull += 1) {
      const body = valueOrThrow(
        judgePull(now, { position: `P${index}`, method: 'click', readingText: null, readingStands: false }),
      );
      now = happen({ kind: 'pull-made', body });
    }
  return { events, state: now };
};

/** Lists, folds and chains of a job. */
export const benchJob = (): void => {
  const { lines } = valueOrThrow(fastenerLines(list));
  measured(`read a list of ${TERMINALS} lines`, 30, () => readLines(valueOrThrow(fastenerLines(list)).lines));
  const places = readLines(lines).flatMap(({ fastener }) => fastener ?? []);
  measured(`reading order of ${TERMINALS} terminals`, 30, () => readingOrder(places));
  const { events, state } = workedJob(3);
  const long = workedJob(25).events;

  measured(`fold ${events.length} events from nothing`, 20, () =>
    events.reduce<JobView | null>((job, event) => applied(job, event), null),
  );
  measured('judge one pull and fold it onto that job', 200, () => {
    const body = valueOrThrow(
      judgePull(state, { position: 'P7', method: 'click', readingText: null, readingStands: false }),
    );
    applied(
      state,
      unplacedEvent(
        { id: 'x', job: state.job, deviceTime: '2026-11-02T08:00:00.000Z', person },
        { kind: 'pull-made', body },
      ),
    );
  });
  let head = EMPTY_HEAD;
  const chain = long.map((event) => {
    const { event: placed } = placedEvent(event, head, receipt(event.deviceTime));
    head = { sequence: placed.sequence, hash: placed.hash };
    return placed;
  });
  // As a record or the database holds them.
  const kept = chain.map((event) => inKeyOrder(event) as LedgerEvent);
  measured(`add up ${kept.length} events from nothing`, 25, () => jobViewOf(kept));
  const times = timed(15, () => firstBreak(kept, (text) => hash('sha256', text, 'hex')));
  printFigure({
    name: `check a chain of ${chain.length} events, in the verifier`,
    values: times.map((ms) => (chain.length / ms) * 1000),
    unit: 'events a second',
  });
  const portable = timed(5, () => firstBreak(kept));
  printFigure({
    name: `check a chain of ${chain.length} events, in a browser`,
    values: portable.map((ms) => (chain.length / ms) * 1000),
    unit: 'events a second',
  });
};
