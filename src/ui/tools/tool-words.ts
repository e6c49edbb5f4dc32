import type { DatedError, Drift } from '#core/calibration/drift.ts';
import { relativeDeviation } from '#core/calibration/session-evaluation.ts';
import type { KeptSession } from '#wire/calibration.ts';
import { dayWords, siteDay } from '#wire/site-time.ts';
import type { CribTool } from '#wire/tool.ts';
import { TOOL_OUT_WORDS } from '#wire/words/tool.ts';

/** How a tool stands today, in a phrase. */
export const standingWords = ({ blocks, facts, tool }: CribTool): string => {
  if (facts.isRetired) return 'retired';
  const words = blocks.map((block) =>
    block === 'on-loan'
      ? `with ${facts.loan?.to}, due back ${dayWords(facts.loan?.dueOn ?? '')}`
      : TOOL_OUT_WORDS[block],
  );
  return words.length > 0 ? words.join(', ') : `calibrated until ${dayWords(tool.calibrationDueOn)}`;
};

const DAY_MS = 86_400_000;
const dayOf = (day: number): string => dayWords(siteDay(new Date(day * DAY_MS).toISOString(), 'UTC'));

/** When a tool drifts out, in words. */
export const driftWords = (found: Drift): string => {
  if (found.kind === 'not-enough-data')
    return `Not enough data to say when it drifts out: ${found.sessions} of 3 sessions.`;
  const rate = `It drifts ${found.percentPerYear >= 0 ? '+' : '−'}${Math.abs(found.percentPerYear).toFixed(2)} % a year at its maximum`;
  if (found.crossesOn === null) return `${rate}; its limit is not reached within ten years.`;
  const from = found.earliest === null ? 'today' : dayOf(found.earliest);
  const to = found.latest === null ? 'later than ten years' : dayOf(found.latest);
  return `${rate}. It leaves its limit about ${dayOf(found.crossesOn)} (95 %: ${from} to ${to}).`;
};

/** What a session found and left at the highest torque it was read at; none where it has no points. */
export const errorAtTop = ({
  doneOn,
  points,
  asLeft,
}: Pick<KeptSession, 'doneOn' | 'points' | 'asLeft'>): readonly DatedError[] => {
  const found = points.at(-1);
  if (!found) return [];
  const left = [...(asLeft ?? [])].sort((a, b) => a.shown - b.shown).at(-1);
  const errors = left?.references.map((reference) => relativeDeviation(left.shown, reference)) ?? [];
  const leftPercent =
    errors.length > 0 ? errors.reduce((sum, each) => sum + each, 0) / errors.length : found.errorPercent;
  return [{ day: Date.parse(doneOn) / DAY_MS, foundPercent: found.errorPercent, leftPercent }];
};
