import { displayTorque } from '#core/quantity/display.ts';
import { newtonMetres, type TorqueUnit } from '#core/quantity/unit.ts';
import type { RecalledFastener } from '#core/view/recalled-fasteners.ts';
import type { RecallDecision, ValueFacts } from '../recall.ts';
import { STATUS_WORDS } from './verdict.ts';

/** What a person may decide about a job that a recall found. */
export const RECALL_DECISION_WORDS: Record<RecallDecision, string> = {
  're-check': 'Re-check these fasteners',
  accept: 'Accept as it is',
  replace: 'Replace the fasteners',
};

/** What became of a value of the book. */
export const changeWords = ({ isWithdrawn, before, now, code, nowCode, revision }: ValueFacts): string => {
  if (isWithdrawn && nowCode === null) return 'It was withdrawn, and nothing in force takes its place.';
  if (isWithdrawn) return `It was withdrawn; ${nowCode}, ${now}, is in force for the same part and size.`;
  return before === null || now === null
    ? `${code} is at revision ${revision}.`
    : `It said ${before} and says ${now} since revision ${revision}.`;
};

/** How a fastener stands by the value in force, in one line. */
export const recalledWords = (
  { was, would, recordedNewtonMetres, lowNewtonMetres, highNewtonMetres, outsidePercent }: RecalledFastener,
  unit: TorqueUnit,
): string => {
  const show = (torque: number): string =>
    displayTorque(newtonMetres(torque), unit, { sourceDigits: 2, graduation: null });
  const recorded = recordedNewtonMetres === null ? 'no reading' : show(recordedNewtonMetres);
  if (lowNewtonMetres === null || highNewtonMetres === null)
    return `was ${STATUS_WORDS[was]} at ${recorded}; nothing in force says what it should be`;
  const limits = `accepted now ${show(lowNewtonMetres)} to ${show(highNewtonMetres)}`;
  const far = outsidePercent !== null && outsidePercent > 0 ? `, ${outsidePercent.toFixed(1)} % outside` : '';
  return `was ${STATUS_WORDS[was]} at ${recorded}; ${limits}: ${STATUS_WORDS[would]}${far}`;
};

/** Fasteners that stand alike by the value in force, by what is said of them, in their order. */
export const alikeRecalled = (
  recalled: readonly RecalledFastener[],
  unit: TorqueUnit,
): ReadonlyMap<string, readonly string[]> => {
  const alike = new Map<string, string[]>();
  for (const fastener of recalled) {
    const words = recalledWords(fastener, unit);
    const positions = alike.get(words);
    if (positions) positions.push(fastener.position);
    else alike.set(words, [fastener.position]);
  }
  return alike;
};
