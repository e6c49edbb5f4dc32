import { judgePull } from '#core/command/judge-pull.ts';
import type { PullMethod } from '#core/job/pull.ts';
import type { Schools } from '#core/target/schools.ts';
import type { Adapter } from '#core/tool/adapter.ts';
import type { Tool } from '#core/tool/tool.ts';
import { targetOf } from '#core/view/fastener-target.ts';
import { wantedSetting } from '#core/view/wanted-setting.ts';
import { SampleJob } from '../job/sample-job.ts';

/** One question to the rules, and what they answered. */
export type Decision = {
  readonly printed: string;
  readonly schools: readonly (string | number)[];
  readonly tool: number;
  readonly adapter: number;
  readonly angle: number | null;
  readonly method: PullMethod;
  readonly target?: readonly [number, number, number];
  readonly steps?: string;
  readonly wanted?: readonly [string, number] | string;
  readonly reading?: string | null;
  readonly judged?: readonly [number | null, number | null, string, number | null];
  readonly refused?: string;
};

/** Ten thousand of them, with the tools and adapters they are about. */
export type Kept = {
  readonly tools: readonly Tool[];
  readonly adapters: readonly Adapter[];
  readonly schools: readonly string[];
  readonly decisions: readonly Decision[];
};

const refusalOf = (result: { readonly ok: boolean; readonly refusal?: { readonly code: string } }) =>
  result.refusal?.code;

/** The same decision by the code of today, in the words of the one that was kept. */
export const decidedToday = (
  kept: Decision,
  { tools, adapters, schools }: Kept,
  number: number,
): Decision => {
  const { printed, tool: toolAt, adapter, angle, method, reading = null } = kept;
  const given = Object.fromEntries(schools.map((name, index) => [name, kept.schools[index]]));
  const asked = { printed, schools: kept.schools, tool: toolAt, adapter, angle, method };
  const job = new SampleJob([printed], given as Partial<Schools>, number);
  const tool = tools[toolAt] as Tool;
  const chain = angle === null ? [] : [{ adapter: adapters[adapter] as Adapter, angleDegrees: angle }];
  const took = {
    kind: 'tool-chosen',
    body: { tool, adapters: chain, blocks: [], override: null, groups: null, isBeside: false },
  } as const;
  const tried = job.try(took);
  if (!tried.ok) return { ...asked, refused: tried.refusal.code };
  job.happen(took);
  job.happen({ kind: 'cautions-confirmed', body: { cautions: SampleJob.cautions } });
  const [fastener] = job.state.fasteners;
  if (!fastener) throw new Error('the sample has no fastener');
  const worked = targetOf(job.state, fastener);
  if (!worked.ok) return { ...asked, refused: worked.refusal.code };
  const { target, low, high, steps } = worked.value;
  const wanted = wantedSetting(job.state, fastener);
  const answer = {
    ...asked,
    target: [target, low, high] as const,
    steps: steps.map(({ rule, ratio }) => `${rule} ${ratio}`).join('|'),
    wanted: wanted.ok ? ([wanted.value.text, wanted.value.turns] as const) : wanted.refusal.code,
    reading,
  };
  if (wanted.ok && method !== 'by-feel') job.setFor('1');
  const judged = judgePull(job.state, { position: '1', method, readingText: reading, readingStands: false });
  if (!judged.ok) return { ...answer, refused: refusalOf(judged) ?? '' };
  const { torqueNewtonMetres, standardUncertaintyNewtonMetres, outcome, probability } = judged.value;
  return {
    ...answer,
    judged: [torqueNewtonMetres, standardUncertaintyNewtonMetres, outcome, probability],
  };
};
