import type { CribTool } from '#wire/tool.ts';
import { TOOL_OUT_WORDS } from '#wire/words/tool.ts';

/** How a tool stands today, in a phrase. */
export const standingWords = ({ blocks, facts, tool }: CribTool): string => {
  if (facts.isRetired) return 'retired';
  const words = blocks.map((block) =>
    block === 'on-loan' ? `with ${facts.loan?.to}, due back ${facts.loan?.dueOn}` : TOOL_OUT_WORDS[block],
  );
  return words.length > 0 ? words.join(', ') : `calibrated until ${tool.calibrationDueOn}`;
};
