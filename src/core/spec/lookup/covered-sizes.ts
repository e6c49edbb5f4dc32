import { readConductorSize } from '../conductor/conductor-size.ts';
import { type KeyKind, type KeySpan, spanCovers } from './key-span.ts';
import { readKeySpan } from './read-key-span.ts';

// Sizes that conductors are sold in: AWG from 22 to 4/0, then kcmil. Source: ASTM B258 for the gauges; common practice for which are sold.
const SOLD_CONDUCTORS: readonly string[] = [
  ...[22, 20, 18, 16, 14, 12, 10, 8, 6, 4, 3, 2, 1].map((gauge) => `${gauge} AWG`),
  ...[1, 2, 3, 4].map((aught) => `${aught}/0 AWG`),
  ...[250, 300, 350, 400, 500, 600, 700, 750, 800, 1000, 1250, 1500, 2000].map((area) => `${area} kcmil`),
];

const SPANS: readonly (readonly [string, KeySpan])[] = SOLD_CONDUCTORS.flatMap((name) => {
  const span = readConductorSize(name).ok ? readKeySpan('conductor', name) : null;
  return span?.ok ? [[name, span.value] as const] : [];
});

const MOST_NUMBERS = 40;

/** The whole millimetres of a band, which is how people ask for a shank or a bore. */
const wholeNumbers = (
  { low, high }: { readonly low: number; readonly high: number },
  unit: string,
): readonly string[] => {
  if (unit !== 'mm' || high - low > MOST_NUMBERS) return [];
  const first = Math.ceil(low);
  return Array.from(
    { length: Math.max(0, Math.floor(high) - first + 1) },
    (_, index) => `${first + index} mm`,
  );
};

/** What a key cell covers in the words people search by: every conductor size of a band, whole millimetres, the names of metals. */
export const coveredWords = (kind: KeyKind, span: KeySpan, unit = ''): readonly string[] => {
  if (kind === 'metal' && span.kind === 'names') return span.names;
  if (kind === 'number' && span.kind === 'band') return wholeNumbers(span, unit);
  if (kind !== 'conductor' || span.kind !== 'band') return [];
  return SPANS.filter(([, size]) => spanCovers(span, size)).map(([name]) => name);
};
