import { v7 as uuidv7 } from 'uuid';
import { plainResult } from '#client/job/bench-steps.ts';
import { judgePull } from '#core/command/judge-pull.ts';
import { knowingNothing } from '#core/command/known.ts';
import { applied } from '#core/event/apply.ts';
import { commandOf, decide, knewOf } from '#core/event/decide.ts';
import { type JobHappening, type UnplacedEvent, unplacedEvent } from '#core/event/event.ts';
import { valueOrThrow } from '#core/fault.ts';
import type { CheckSaid } from '#core/job/check.ts';
import type { PullMethod } from '#core/job/pull.ts';
import type { StepResult } from '#core/job/step-done.ts';
import type { Person } from '#core/people/person.ts';
import { isIndicating, type Tool } from '#core/tool/tool.ts';
import { type FastenerView, fastenerAt } from '#core/view/bench.ts';
import { cautionsOf, type DueStep } from '#core/view/due-steps.ts';
import type { JobView } from '#core/view/job-view.ts';
import { MINUTE_MS } from '#core/view/last-pulled.ts';
import { type NextAction, nextAction } from '#core/view/next-action.ts';
import { comingPositions, nextPosition } from '#core/view/open-items.ts';
import { isRoundNext } from '#core/view/passes.ts';
import type { NewGroup } from '#wire/new-job.ts';

const PULL_EVERY_MS = 23_000;

/** A job of the demo: its list, who worked it, how far, and what was not a plain click. */
export type DemoJob = {
  readonly list: string;
  readonly title: string;
  readonly asset: { readonly code: string; readonly name: string } | null;
  /** The tools of each group, the one taken last at the end. */
  readonly groups: readonly (NewGroup & { readonly tools: readonly string[] })[];
  readonly source: { readonly title: string; readonly revision: string; readonly place: string };
  readonly technician: string;
  readonly daysAgo: number;
  /** How many pulls have been made, in the order of the work; null for a job worked to its end. */
  readonly pulls: number | null;
  /** Pulls that were not a plain click. */
  readonly events: readonly {
    readonly position: string;
    readonly method: PullMethod;
    readonly reading: string | null;
  }[];
  /** Positions that moved in the first round at full torque. */
  readonly moved?: readonly string[];
  /** What steps measured, by the step. */
  readonly measures?: Readonly<Record<string, { readonly text: string; readonly instrument: string }>>;
  readonly signed: readonly { readonly person: string; readonly meaning: 'done' | 'inspected' }[];
  /** Readings of finished fasteners, after the signatures. */
  readonly checks?: readonly (Pick<CheckSaid, 'position' | 'purpose' | 'method' | 'note'> & {
    readonly person: string;
    readonly tool: string;
    readonly reading: string;
  })[];
};

type Worked = {
  readonly job: DemoJob;
  readonly view: () => JobView;
  readonly happen: (happening: JobHappening, by?: string) => void;
  readonly wait: (minutes: number) => void;
};

const resultOf = (due: DueStep, { job }: Worked): StepResult => {
  const { step, limits } = due;
  const plain = plainResult(due);
  if (plain) return plain;
  if (step.act.kind === 'photograph') throw new Error('the demo takes no photographs');
  const found = job.measures?.[step.id];
  if (!found || !limits) throw new Error(`the demo measures nothing for ${step.id}`);
  const measure = { text: found.text, value: Number(found.text), unit: limits.unit };
  return { kind: 'measured', measure, instrument: found.instrument };
};

const doStep = (worked: Worked, due: DueStep): void => {
  const { step, group, of, afterPass, limits } = due;
  const at = { group: group?.id ?? null, step: step.id, of, afterPass };
  if (step.act.kind === 'wait') {
    if (step.stage !== 'settle') worked.happen({ kind: 'wait-begun', body: at });
    worked.wait(step.act.minutes);
  }
  const said = { ...at, result: resultOf(due, worked) };
  worked.happen({ kind: 'step-done', body: { ...said, limits, waitedMinutes: null, isGood: false } });
};

const pull = (
  { job, view, happen }: Worked,
  fastener: FastenerView,
  { taken, wanted }: Extract<NextAction, { kind: 'pull' }>,
): void => {
  const { position } = fastener.planned;
  const special = job.events.find((each) => each.position === position);
  const isFirstRound = fastener.moved === null;
  const shown = isIndicating(taken.tool) ? ({ method: 'reading', reading: wanted.text } as const) : null;
  const { method, reading } = special ?? shown ?? { method: 'click', reading: null };
  const moved = isRoundNext(view(), fastener)
    ? isFirstRound && (job.moved?.includes(position) ?? false)
    : null;
  const facts = { position, method, readingText: reading, readingStands: false, moved };
  happen({ kind: 'pull-made', body: valueOrThrow(judgePull(view(), facts)) });
  const after = fastenerAt(view(), position);
  if (after?.status === 'in' && moved === null) happen({ kind: 'witness-marked', body: { position } });
};

/** Does the next thing at a position, and answers whether it was a pull; null when nothing is left but to sign. */
const doNext = (worked: Worked, position: string | null): boolean | null => {
  const action = nextAction(worked.view(), position);
  const fastener = position === null ? undefined : fastenerAt(worked.view(), position);
  switch (action.kind) {
    case 'make-safe':
      worked.happen({
        kind: 'cautions-confirmed',
        body: { cautions: cautionsOf(worked.view().plan).map(({ id }) => id) },
      });
      return false;
    case 'step':
      doStep(worked, action.due);
      return false;
    case 'set-tool': {
      const { tool } = action.taken;
      const { text, setting: value } = action.wanted;
      worked.happen({
        kind: 'tool-set',
        body: { toolId: tool.id, setting: { text, value, unit: tool.scale.unit } },
      });
      return false;
    }
    case 'pull':
      if (fastener) pull(worked, fastener, action);
      return true;
    case 'turn': {
      const { step, degrees } = action.due;
      const turned = { text: String(degrees), value: degrees, unit: '°' } as const;
      const said = { position: position ?? '', step, turned, method: 'read' } as const;
      const body = { ...said, askedDegrees: degrees, toleranceDegrees: 1, outcome: 'in' } as const;
      worked.happen({ kind: 'angle-turned', body });
      return true;
    }
    case 'wind-down': {
      const tools = action.tools.map(({ taken, to }) => ({ toolId: taken.tool.id, setting: to }));
      worked.happen({ kind: 'tools-wound-down', body: { tools } });
      return false;
    }
    case 'sign':
      return null;
    default:
      throw new Error(`the demo does not know how to ${action.kind} at ${position}`);
  }
};

/** Works a job of the demo as far as it says, one thing after the other, each on the job as it then stands. */
export const workedEvents = (
  planned: UnplacedEvent,
  job: DemoJob,
  tools: readonly Tool[],
  person: (name: string) => Person,
): readonly UnplacedEvent[] => {
  let view = applied(null, planned) as JobView;
  let atMs = Date.parse(planned.deviceTime);
  const events: UnplacedEvent[] = [];
  const happen = (happening: JobHappening, by = job.technician): void => {
    atMs += PULL_EVERY_MS;
    const at = {
      id: uuidv7({ msecs: atMs }),
      job: planned.job,
      deviceTime: new Date(atMs).toISOString(),
      person: person(by),
    };
    const known = { ...knowingNothing(at.person), ...knewOf(happening), at: at.deviceTime };
    const event = unplacedEvent(at, valueOrThrow(decide(view, commandOf(happening), known)));
    view = applied(view, event) as JobView;
    events.push(event);
  };
  const wait = (minutes: number): void => {
    atMs += minutes * MINUTE_MS;
  };
  const worked: Worked = { job, view: () => view, happen, wait };
  const tool = (code: string): Tool => tools.find((each) => each.code === code) as Tool;
  if (job.pulls === 0) return events;
  for (const { id, tools: codes } of job.groups)
    for (const code of codes) {
      const body = { tool: tool(code), adapters: [], blocks: [], override: null };
      happen({ kind: 'tool-chosen', body: { ...body, groups: [id], isBeside: true } });
    }
  let position = nextPosition(view, null);
  for (let made = 0; job.pulls === null || made < job.pulls; ) {
    const isPull = doNext(worked, position);
    if (isPull === null) break;
    if (isPull) {
      made += 1;
      position = comingPositions(view, position).find((each) => each !== position) ?? null;
    }
    if (position === null) position = nextPosition(view, null);
  }
  for (const { person: name, meaning } of job.signed)
    happen({ kind: 'job-signed', body: { meaning, head: null, madeNoPull: false } }, name);
  for (const { person: name, tool: code, reading, ...said } of job.checks ?? []) {
    const { id: toolId, serial, calibrationDueOn, scale } = tool(code);
    const body = {
      ...said,
      toolId,
      reading: { text: reading, value: Number(reading), unit: scale.unit },
      tool: { code, serial, calibrationDueOn },
      lowNewtonMetres: 0,
      highNewtonMetres: 0,
      isInside: false,
    };
    happen({ kind: 'fastener-checked', body }, name);
  }
  return events;
};
