import type { ToolKind } from '#core/tool/tool.ts';

/** The names of kinds of tool. */
export const TOOL_KIND_WORDS: Record<ToolKind, string> = {
  'adjustable-screwdriver': 'adjustable screwdriver',
  'adjustable-click-wrench': 'adjustable click wrench',
};
