import type { JobRefusal } from '../job/refusal.ts';
import type { Remedy } from '../remedy/trouble.ts';
import { isIndicating } from '../tool/tool.ts';
import type { ToolSetting } from '../tool/tool-setting.ts';
import { type AngleDue, angleDue, anglesAsked } from './angle-due.ts';
import { type FastenerView, fastenerAt, needsRunOn, type TakenTool, toolsAtHand } from './bench.ts';
import { blockingSteps, cautionsOf, type DueStep, openSteps, stepsAfter, stepsBefore } from './due-steps.ts';
import { isByHand } from './group-work.ts';
import type { JobView } from './job-view.ts';
import { settingWith, toolFor } from './tool-for.ts';
import { isSetFor } from './wanted-setting.ts';
import { type ToWind, toolsToWind } from './wind-down.ts';

/** The one thing to do next at a fastener. */
export type NextAction =
  | { readonly kind: 'choose-tool' }
  | { readonly kind: 'make-safe' }
  | { readonly kind: 'step'; readonly due: DueStep }
  /** Whether what else is to be done about it is led through. */
  | { readonly kind: 'loosen'; readonly isLed: boolean }
  /** After something went wrong: the thread and what it holds looked at, or the fastener replaced. */
  | { readonly kind: 'inspect' | 'replace'; readonly remedy: Remedy }
  | { readonly kind: 'measure-run-on'; readonly taken: TakenTool }
  /** Whether it is made snug, and turned on from there. */
  | { readonly kind: 'finger-tighten'; readonly isSnug: boolean }
  | { readonly kind: 'turn'; readonly due: AngleDue }
  | { readonly kind: 'set-tool'; readonly taken: TakenTool; readonly wanted: ToolSetting }
  | { readonly kind: 'pull'; readonly taken: TakenTool; readonly wanted: ToolSetting }
  | { readonly kind: 'another-tool'; readonly taken: TakenTool; readonly refusal: JobRefusal }
  | { readonly kind: 'wind-down'; readonly tools: readonly ToWind[] }
  | { readonly kind: 'sign' }
  | { readonly kind: 'signed' };

/** What stands against a tool that was taken, each once. */
export const blocksAgainst = ({ unallowed, foundSince }: TakenTool): TakenTool['unallowed'] => [
  ...new Set([...unallowed, ...foundSince]),
];

const withTool = (job: JobView, fastener: FastenerView, taken: TakenTool): NextAction => {
  const blocks = blocksAgainst(taken);
  if (blocks.length > 0) {
    const refusal = { code: 'tool-blocked', toolCode: taken.tool.code, blocks } as const;
    return { kind: 'another-tool', taken, refusal };
  }
  const wanted = settingWith(job, fastener, taken);
  if (!wanted.ok) return { kind: 'another-tool', taken, refusal: wanted.refusal };
  return { kind: isSetFor(taken, wanted.value) ? 'pull' : 'set-tool', taken, wanted: wanted.value };
};

/** Run-on torque is read off a tool that shows what it feels: one at hand for the group, else another one is needed first. */
const runOnFirst = (job: JobView, fastener: FastenerView, taken: TakenTool): NextAction => {
  const showing = toolsAtHand(job, fastener).find(({ tool }) => isIndicating(tool));
  if (showing) return { kind: 'measure-run-on', taken: showing };
  const { position } = fastener.planned;
  return { kind: 'another-tool', taken, refusal: { code: 'run-on-needs-showing', position } };
};

const remedyNext = ({ isPastLimit, remedy }: FastenerView): NextAction | null => {
  const [act] = remedy?.left ?? [];
  if (isPastLimit || act === 'loosen') return { kind: 'loosen', isLed: remedy !== null };
  return remedy && act ? { kind: act, remedy } : null;
};

/** What to do next at a position, in the order of the work: tool, make safe, what comes before the pull, loosen what went past, put away a
 *  tool that something stands against, set, pull, what is checked after it; wind the tools
 *  down and sign when nothing is left. */
export const nextAction = (job: JobView, position: string | null): NextAction => {
  if (job.signatures.length > 0) return { kind: 'signed' };
  const fastener = position === null ? undefined : fastenerAt(job, position);
  const taken = fastener ? toolFor(job, fastener) : ([...job.takenTools.values()][0] ?? null);
  const isHandTight = fastener !== undefined && isByHand(fastener);
  if (!taken && !isHandTight) return { kind: 'choose-tool' };
  if (!job.cautions && cautionsOf(job.plan).length > 0) return { kind: 'make-safe' };
  if (!fastener) {
    const [due] = [...blockingSteps(job), ...openSteps(job)];
    if (due) return { kind: 'step', due };
    const tools = toolsToWind(job);
    return tools.length > 0 ? { kind: 'wind-down', tools } : { kind: 'sign' };
  }
  const remedying = remedyNext(fastener);
  if (remedying) return remedying;
  const [due] = [...stepsAfter(job, fastener), ...stepsBefore(job, fastener)];
  if (due) return { kind: 'step', due };
  const angle = angleDue(job, fastener);
  if (angle) return { kind: 'turn', due: angle };
  if (isHandTight || !taken) return { kind: 'finger-tighten', isSnug: anglesAsked(job, fastener).length > 0 };
  return needsRunOn(fastener) ? runOnFirst(job, fastener, taken) : withTool(job, fastener, taken);
};
