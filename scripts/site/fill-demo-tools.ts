import { readFileSync } from 'node:fs';
import { v7 as uuidv7 } from 'uuid';
import { sessionPlan } from '#core/calibration/session-plan.ts';
import { valueOrThrow } from '#core/fault.ts';
import type { Person } from '#core/people/person.ts';
import { toNewtonMetres } from '#core/quantity/unit.ts';
import type { Adapter } from '#core/tool/adapter.ts';
import type { Tool } from '#core/tool/tool.ts';
import { addTool } from '#server/services/add-tool.ts';
import { keepSession } from '#server/services/keep-session.ts';
import { reportTool } from '#server/services/report-tool.ts';
import { addAdapter, cribTools } from '#server/services/tool-crib.ts';
import type { NewTool } from '#wire/tool.ts';
import { inProject } from './paths.ts';

const DAY_MS = 86_400_000;
const demo = <T>(name: string): T => JSON.parse(readFileSync(inProject('demo', name), 'utf8')) as T;

/** An ISO day so many days from today. */
export const isoDay = (daysFromNow: number): string =>
  new Date(Date.now() + daysFromNow * DAY_MS).toISOString().slice(0, 10);

type DemoTool = Omit<NewTool, 'calibratedOn' | 'calibrationDueOn' | 'takenIntoUseOn'> & {
  readonly takenDaysAgo: number;
  readonly calibratedDaysAgo: number;
  readonly dueInDays: number;
};

type DemoSession = {
  readonly tool: string;
  readonly daysAgo: number;
  readonly dueInDays: number;
  readonly reference: string;
  readonly kind: 'in-house' | 'outside-lab';
  readonly certificate: string;
  /** Error at each point, in percent. */
  readonly errors: readonly number[];
  readonly left: readonly number[] | null;
  readonly narrowed: boolean;
  readonly afterJobs?: boolean;
};

/** Scatter of the demo's readings around each error, in percent; it adds up to nothing. */
const SCATTER = [0.15, -0.2, 0.05, 0.1, -0.1];

const points = (tool: Tool, errors: readonly number[]) => {
  const plan = sessionPlan(tool.toolClass, tool.scale);
  return plan.points.map((shown, at) => {
    const torque = toNewtonMetres(shown, tool.scale.unit) as number;
    const references = Array.from({ length: plan.readingsEach }, (_, index) => {
      const error = (errors[at] ?? 0) + (SCATTER[index % SCATTER.length] ?? 0);
      return Number((torque / (1 + error / 100)).toPrecision(6));
    });
    return { shown: torque, references };
  });
};

const toolNamed = async (code: string): Promise<Tool> => {
  const known = (await cribTools()).find(({ tool }) => tool.code === code);
  if (!known) throw new Error(`the demo has no tool ${code}`);
  return known.tool as Tool;
};

const keep = async (session: DemoSession, by: Person): Promise<void> => {
  const tool = await toolNamed(session.tool);
  const { kind, reference, certificate } = session;
  valueOrThrow(
    await keepSession(
      {
        id: uuidv7(),
        toolId: tool.id,
        kind,
        doneOn: isoDay(-session.daysAgo),
        reference,
        referenceExpandedPercent: 0.5,
        certificate,
        asFound: points(tool, session.errors),
        asLeft: session.left ? points(tool, session.left) : null,
        keepNarrowed: session.narrowed,
        nextDueOn: isoDay(session.dueInDays),
        note: '',
      },
      by,
    ),
  );
};

/** Fills the demo's crib: tools of every kind, adapters, and the sessions held before any job. */
export const fillDemoCrib = async (lead: Person): Promise<void> => {
  for (const { takenDaysAgo, calibratedDaysAgo, dueInDays, ...tool } of demo<DemoTool[]>('tools.json')) {
    const days = {
      takenIntoUseOn: isoDay(-takenDaysAgo),
      calibratedOn: isoDay(-calibratedDaysAgo),
      calibrationDueOn: isoDay(dueInDays),
    };
    valueOrThrow(await addTool({ ...tool, ...days }, lead));
  }
  for (const adapter of demo<Omit<Adapter, 'id'>[]>('adapters.json'))
    valueOrThrow(await addAdapter(adapter, lead));
  for (const session of demo<DemoSession[]>('sessions.json'))
    if (!session.afterJobs) await keep(session, lead);
};

/** What happened to the demo's tools after the jobs: one was found out, one dropped, one lent. */
export const wearDemoCrib = async (lead: Person): Promise<void> => {
  for (const session of demo<DemoSession[]>('sessions.json'))
    if (session.afterJobs) await keep(session, lead);
  valueOrThrow(
    await reportTool((await toolNamed('TW-03')).id, { kind: 'dropped', why: 'off the dome ladder' }, lead),
  );
  const loan = {
    to: 'the glider hangar',
    since: isoDay(-9),
    dueOn: isoDay(5),
    condition: 'clean, wound down, in its case',
    proofOfPosting: '',
  };
  valueOrThrow(await reportTool((await toolNamed('TO-01')).id, { kind: 'lent', loan }, lead));
};
