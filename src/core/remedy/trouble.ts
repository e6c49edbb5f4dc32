/** What can go wrong at a fastener, by what the hand and the eye notice. */
export const TROUBLES = [
  'low',
  'high',
  'over-shot',
  'early-click',
  'no-click',
  'stripped',
  'cross-threaded',
  'insert-spins',
] as const;
export type Trouble = (typeof TROUBLES)[number];

/** What is done about it, in this order, before it is pulled again from snug. */
export const REMEDY_ACTS = ['loosen', 'inspect', 'replace'] as const;
export type RemedyAct = (typeof REMEDY_ACTS)[number];

/** What went wrong at a fastener, and what is still to be done about it. */
export type Remedy = { readonly trouble: Trouble; readonly left: readonly RemedyAct[] };

const ACTS: Readonly<Record<Trouble, readonly RemedyAct[]>> = {
  // It is brought up from where it is: nothing was harmed.
  low: [],
  high: ['loosen', 'inspect'],
  'over-shot': ['loosen', 'inspect'],
  'early-click': ['loosen', 'inspect'],
  'no-click': ['loosen', 'inspect'],
  stripped: ['loosen', 'replace'],
  'cross-threaded': ['loosen', 'inspect'],
  'insert-spins': ['loosen', 'replace'],
};
/** What takes a fastener that is used once out of use. */
const SPENDS: ReadonlySet<Trouble> = new Set(['high', 'over-shot', 'cross-threaded']);

/** What is to be done about something that went wrong, or null where nothing but pulling it again is. One that is used once is replaced after it
 *  went past. Common practice; the maker's instructions override it. */
export const remedyFor = (
  trouble: Trouble,
  { isSingleUse }: { readonly isSingleUse: boolean },
): Remedy | null => {
  const acts = ACTS[trouble];
  if (acts.length === 0) return null;
  const isSpent = isSingleUse && SPENDS.has(trouble);
  return { trouble, left: isSpent ? [...acts, 'replace'] : acts };
};

/** What is left once an act is done: nothing where it was the last. What was looked at and is not good is replaced. */
export const remedyAfter = (remedy: Remedy | null, act: RemedyAct, isGood = true): Remedy | null => {
  if (!remedy) return null;
  const left = remedy.left.filter((each) => each !== act);
  const all =
    act === 'inspect' && !isGood && !left.includes('replace') ? [...left, 'replace' as const] : left;
  return all.length === 0 ? null : { ...remedy, left: all };
};
