import type { JobRefusal } from '../job/refusal.ts';
import type { ToolSetting } from '../setting/tool-setting.ts';
import { fastenerAt, needsRunOn } from './bench.ts';
import type { JobView } from './job-view.ts';
import { isSetFor, wantedSetting } from './wanted-setting.ts';

/** The one thing to do next at a fastener. */
export type NextAction =
  | { readonly kind: 'choose-tool' }
  | { readonly kind: 'make-safe' }
  | { readonly kind: 'loosen' }
  | { readonly kind: 'measure-run-on' }
  | { readonly kind: 'set-tool'; readonly wanted: ToolSetting }
  | { readonly kind: 'pull'; readonly wanted: ToolSetting }
  | { readonly kind: 'another-tool'; readonly refusal: JobRefusal }
  | { readonly kind: 'sign' }
  | { readonly kind: 'signed' };

/** What to do next at a position, in the order of the work: tool, make safe, loosen what went past, put away a
 *  tool that something stands against, set, pull; sign when nothing is left. */
export const nextAction = (state: JobView, position: string | null): NextAction => {
  if (state.signatures.length > 0) return { kind: 'signed' };
  if (!state.tool) return { kind: 'choose-tool' };
  if (!state.cautions) return { kind: 'make-safe' };
  const fastener = position === null ? undefined : fastenerAt(state, position);
  if (!fastener) return { kind: 'sign' };
  if (fastener.isPastLimit) return { kind: 'loosen' };
  if (needsRunOn(fastener)) return { kind: 'measure-run-on' };
  const { tool } = state;
  const { unallowed = [], foundSince = [] } = state.takenTools.get(tool.id) ?? {};
  const blocks = [...new Set([...unallowed, ...foundSince])];
  if (blocks.length > 0)
    return { kind: 'another-tool', refusal: { code: 'tool-blocked', toolCode: tool.code, blocks } };
  const wanted = wantedSetting(state, fastener);
  if (!wanted.ok) return { kind: 'another-tool', refusal: wanted.refusal };
  return { kind: isSetFor(state, wanted.value) ? 'pull' : 'set-tool', wanted: wanted.value };
};
