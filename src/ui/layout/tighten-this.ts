import type { FromBook } from '#core/spec/book/from-book.ts';
import { keptDraft } from '../kit/form/kept-draft.ts';

/** A value on its way from where it was read to the tool. */
export type Tightened = {
  /** As it is printed. */
  readonly printed: string;
  /** Out of the book, with its reference; null where it was typed. */
  readonly taken: FromBook | null;
  /** What it is for, in a few words; empty where nobody said. */
  readonly about: string;
};

const KEPT_AS = 'jentik-tighten-this';
const PAGE = '/jobs/new/one';

const isTightened = (kept: Readonly<Record<string, unknown>>): kept is Tightened =>
  typeof kept['printed'] === 'string' && typeof kept['about'] === 'string' && 'taken' in kept;

/** The value that was to be tightened last in this browser; null where there is none. */
export const toTighten = (): Tightened | null => {
  const kept = keptDraft(KEPT_AS).read();
  return kept && isTightened(kept) ? kept : null;
};

/** Goes with a value straight to its tool: no file, and no form but for what is not known yet. */
export const tightenThis = (value: Tightened): void => {
  keptDraft(KEPT_AS).keep(value);
  window.location.assign(PAGE);
};

/** Forgets it, once it became a job. */
export const forgetTightened = (): void => keptDraft(KEPT_AS).forget();

/** A value out of the book, on its way. */
export const fromTheBook = (taken: FromBook, about: string): Tightened => ({
  printed: taken.torque.printed,
  taken,
  about,
});
