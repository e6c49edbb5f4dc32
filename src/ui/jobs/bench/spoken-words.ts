import type { BenchAt, BenchState } from '#client/job/bench-state.ts';
import type { TorqueUnit } from '#core/quantity/unit.ts';
import type { JobView } from '#core/view/job-view.ts';
import { STATUS_WORDS } from '#wire/words/verdict.ts';
import { requirementView } from '../requirement-view.ts';
import { mainWords } from './main-words.ts';

/** Units as a voice says them: it would spell their symbols. */
const SPOKEN: Partial<Record<TorqueUnit, string>> = {
  'N.m': 'newton metres',
  'cN.m': 'centinewton metres',
  'mN.m': 'millinewton metres',
  'lbf.in': 'inch pounds',
  'lbf.ft': 'foot pounds',
  'ozf.in': 'inch ounces',
  'kgf.cm': 'kilopond centimetres',
  'kgf.m': 'kilopond metres',
  'gf.cm': 'pond centimetres',
};

type Spoken = Pick<BenchAt, 'action' | 'fastener' | 'lastPull'> & Pick<BenchState, 'refusal'>;

/** What the last pull came to, where it was not said yet. */
const verdictSpoken = ({ lastPull }: Spoken, said: string | null): string => {
  if (!lastPull || lastPull.pull.eventId === said) return '';
  const { fastener, pull } = lastPull;
  return `${fastener.planned.position} ${STATUS_WORDS[pull.body.outcome]}. `;
};

const nextSpoken = (view: JobView, { action, fastener }: Spoken): string => {
  if (action.kind === 'step') return `${action.due.step.title}. ${action.due.step.detail}`;
  if (action.kind === 'turn' && fastener)
    return `${fastener.planned.position}: turn on by ${action.due.degrees} degrees.`;
  if (!fastener || (action.kind !== 'pull' && action.kind !== 'set-tool'))
    return mainWords(action, fastener?.planned.position ?? null);
  const { position, label, counterHold } = fastener.planned;
  const { target, unit, symbol } = requirementView(view, fastener);
  const held = counterHold === '' ? '' : ` Counter-hold: ${counterHold}.`;
  const { tool } = action.taken;
  const torque = `${target} ${SPOKEN[unit] ?? symbol}`;
  const set =
    action.kind === 'set-tool'
      ? ` Set ${tool.code} to ${action.wanted.text} ${SPOKEN[tool.scale.unit] ?? ''}.`
      : '';
  return `${position}, ${label}: ${torque}.${held}${set}`;
};

/** What the bench says aloud as it stands, to a person who looks at the work: what the last pull came to, and what is next. `said` is the pull that was told
 *  already. */
export const spokenWords = (view: JobView, bench: Spoken, said: string | null): string =>
  bench.refusal ? 'Not recorded. Look at the screen.' : verdictSpoken(bench, said) + nextSpoken(view, bench);
