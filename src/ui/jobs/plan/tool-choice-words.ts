import type { PlannedGroup } from '#core/job/plan.ts';
import { displayDigits } from '#core/quantity/display.ts';
import type { ToolFit } from '#core/tool/choose-tool.ts';
import { isPreset } from '#core/tool/tool.ts';
import type { ToolToBuy } from '#core/tool/tool-to-buy.ts';
import type { ToolForGroup, ToolGap } from '#core/view/tools-for-group.ts';
import { passWords } from '#wire/words/joint.ts';
import { TOOL_KIND_WORDS } from '#wire/words/tool.ts';
import { probabilityWords } from '#wire/words/verdict.ts';

const short = (value: number): string => displayDigits(value, { sourceDigits: 2, graduation: null });

const countWords = ({ words }: PlannedGroup['kind'], count: number): string =>
  `${count} ${count === 1 ? words.fastener : words.fasteners}`;

/** How much of a group a tool does, and how surely. */
export const canWords = (
  { can, worst, passesOut }: ToolForGroup,
  group: PlannedGroup,
  total: number,
): string => {
  const { kind } = group;
  const all = total === 1 ? `the ${kind.words.fastener}` : `all ${countWords(kind, total)}`;
  const reach = can === total ? `does ${all}` : `does ${can} of ${countWords(kind, total)}`;
  const sure = worst ? `, ${probabilityWords(worst.probability)} inside acceptance` : '';
  const not = passesOut.map((pass) => passWords(kind, pass)).join(' and ');
  return `${reach}${sure}${not && `; not for ${not}`}`;
};

/** What a tool that could do it would have to be. */
export const toBuyWords = (toBuy: ToolToBuy): string => {
  const { tools } = toBuy;
  const kinds: Readonly<Record<string, string>> = TOOL_KIND_WORDS;
  const only =
    tools.kind === 'only' ? `, ${tools.tools.map((kind) => kinds[kind] ?? kind).join(' or ')}` : '';
  return `${short(toBuy.fromNewtonMetres)} to ${short(toBuy.toNewtonMetres)} N·m, within ±${short(toBuy.limitPercent)} % of reading, for ${toBuy.thread}-hand threads${only}`;
};

// A preset tool within this share of the limit is set at it.
const AT_LIMIT = 0.005;

/** Whether a tool of one setting is set at the upper limit: half of its pulls go past. */
const isSetAtLimit = ({ tool, setting, high }: ToolFit): boolean =>
  isPreset(tool) && Math.abs(setting.torque / high - 1) <= AT_LIMIT;

/** What the crib can't do, and what would cure it. */
export const gapWords = ({ group, positions, pass, best, toBuy, wantedShare }: ToolGap): string => {
  const names = positions.length > 6 ? `${positions.slice(0, 6).join(', ')} …` : positions.join(', ');
  const which = `${countWords(group.kind, positions.length)} (${names})`;
  const when = group.kind.passes.length > 1 ? ` in ${passWords(group.kind, pass)}` : '';
  const isAtMaximum = best !== null && isSetAtLimit(best);
  if (!best) return `No tool at hand can do ${which}${when}. One would: ${toBuyWords(toBuy)}.`;
  return `No tool is sure enough for ${which}: ${best.tool.code} is the surest with ${probabilityWords(best.probability)} inside acceptance, ${Math.round(wantedShare * 100)} % is wanted: its pulls will be too close to call. A calibration, a tool of a narrower class (within ±${short(toBuy.limitPercent)} %), or another target cures it${isAtMaximum ? '; its one setting is the printed maximum, so every second pull goes past it' : ''}.`;
};
