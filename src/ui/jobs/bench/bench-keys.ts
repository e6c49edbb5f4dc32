import { isTyping } from '../../shared/drawer-keys.ts';

/** What a key press asks of the bench. */
export type BenchKey =
  | { readonly kind: 'main' }
  | { readonly kind: 'digit'; readonly character: string }
  | { readonly kind: 'enter' }
  | { readonly kind: 'escape' }
  | { readonly kind: 'backspace' }
  | { readonly kind: 'move'; readonly by: 1 | -1 }
  | { readonly kind: 'by-feel' | 'over-shot' | 'witness' | 're-pull' | 'help' | 'legend' | 'else' };

const LETTERS: Readonly<Record<string, BenchKey>> = {
  b: { kind: 'by-feel' },
  o: { kind: 'over-shot' },
  w: { kind: 'witness' },
  r: { kind: 're-pull' },
  e: { kind: 'else' },
  l: { kind: 'legend' },
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

/** Whether a control has the focus that does something of its own with Space or Enter. */
const isOnControl = (event: KeyboardEvent): boolean =>
  event.target instanceof Element && event.target.closest('a, button, summary, [role=button]') !== null;

/** Reads a key press on the bench; null for one that is not the bench's. A key held down counts once. Space and Enter belong to the control that has the focus,
 *  where one has it. */
export const benchKey = (event: KeyboardEvent): BenchKey | null => {
  if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event)) return null;
  const key = event.key.length === 1 ? event.key.toLowerCase() : event.key;
  if ((key === ' ' || key === 'Enter') && isOnControl(event)) return null;
  if (event.repeat && key !== 'ArrowRight' && key !== 'ArrowLeft') return null;
  if (/^[\d.,]$/.test(key)) return { kind: 'digit', character: key };
  return LETTERS[key] ?? null;
};
