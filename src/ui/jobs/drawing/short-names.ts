/** What is written under a head: its own name, and above it that of its strip where two strips of a drawing have heads of the same name. */
export type ShortName = { readonly strip: string; readonly own: string };

const STRIP_LETTERS = 6;

const split = (position: string): ShortName => {
  const own = /[^\-/: ]+$/.exec(position)?.[0] ?? position;
  return { strip: position.slice(0, position.length - own.length).replace(/[-/: ]+$/, ''), own };
};

/** The short names of the positions on one drawing, told apart: `011` where there is one, `XT01` over `011` where there is another on `XT02`. */
export const shortNames = (positions: readonly string[]): ReadonlyMap<string, ShortName> => {
  const parts = positions.map((position) => [position, split(position)] as const);
  const isRepeated = new Set(parts.map(([, { own }]) => own)).size < parts.length;
  return new Map(
    parts.map(([position, { strip, own }]) => [
      position,
      isRepeated ? { strip: strip.slice(-STRIP_LETTERS), own } : { strip: '', own },
    ]),
  );
};
