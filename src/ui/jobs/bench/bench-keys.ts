import { isTyping } from '../../shared/drawer-keys.ts';

/** What a key press asks of the bench. */
export type BenchKey =
  | { readonly kind: 'main' }
  | { readonly kind: 'digit'; readonly character: string }
  | { readonly kind: 'enter' }
  | { readonly kind: 'escape' }
  | { readonly kind: 'backspace' }
  | { readonly kind: 'move'; readonly by: 1 | -1 }
  | { readonly kind: 'by-feel' | 'over-shot' | 'moved' | 'witness' | 're-pull' | 'stands' | 'help' };

const LETTERS: Readonly<Record<string, BenchKey>> = {
  b: { kind: 'by-feel' },
  o: { kind: 'over-shot' },
  m: { kind: 'moved' },
  w: { kind: 'witness' },
  r: { kind: 're-pull' },
  '?': { kind: 'help' },
  ' ': { kind: 'main' },
  PageDown: { kind: 'main' },
  Enter: { kind: 'enter' },
  Escape: { kind: 'escape' },
  Backspace: { kind: 'backspace' },
  ArrowRight: { kind: 'move', by: 1 },
  ArrowDown: { kind: 'move', by: 1 },
  ArrowLeft: { kind: 'move', by: -1 },
  ArrowUp: { kind: 'move', by: -1 },
};

/** What the keys of the bench do, for the list that `?` shows. */
export const BENCH_KEY_HELP: readonly (readonly [string, string])[] = [
  ['Space or Page Down', 'The large action: done, set, clicked, loosened. Pedals and clickers send these.'],
  ['0–9 . then Enter', 'Record a reading in the tool’s unit, or what a step measures'],
  ['O', 'Over-shot: it went past the click'],
  ['M', 'In a round at full torque: it moved before the tool gave'],
  ['B', 'By feel, no torque tool; stays open'],
  ['Backspace', 'Void the last pull, with a reason'],
  ['W', 'Witness mark drawn on the last one'],
  ['R', 'Go back to the last one and pull it again'],
  ['← →', 'Choose another fastener'],
  ['G then J, T or S', 'Open Jobs, Tools or Sums'],
  ['?', 'This list'],
];

/** Reads a key press on the bench; null for one that is not the bench's. A key held down counts once. */
export const benchKey = (event: KeyboardEvent): BenchKey | null => {
  if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event)) return null;
  const key = event.key.length === 1 ? event.key.toLowerCase() : event.key;
  const isOnControl = event.target instanceof HTMLElement && event.target.closest('a, summary') !== null;
  // A link that has the focus keeps its Enter; everything else of the bench works wherever the focus is.
  if (isOnControl && key === 'Enter') return null;
  if (event.repeat && key !== 'ArrowRight' && key !== 'ArrowLeft') return null;
  if (/^[\d.,]$/.test(key)) return { kind: 'digit', character: key };
  return LETTERS[key] ?? null;
};
