// A row that can't be read (of a form that somebody made by hand, or that older code let in) is left out of its list, said, and named on the Records page: it
// never takes the others with it.

const unreadable = new Map<string, { readonly what: string; readonly id: string }>();

/** What this process could not read when it last tried. */
export const unreadableRows = (): readonly { readonly what: string; readonly id: string }[] => [
  ...unreadable.values(),
];

/** Rows as `read` reads them, without those that it can't. */
export const readableRows = <R extends Readonly<Record<string, unknown>>, T>(
  what: string,
  rows: readonly R[],
  read: (row: R) => T,
): readonly T[] =>
  rows.flatMap((row) => {
    const id = String(row['id'] ?? row['code'] ?? '?');
    const key = `${what} ${id}`;
    try {
      const value = read(row);
      unreadable.delete(key);
      return [value];
    } catch (error) {
      if (!unreadable.has(key)) console.error(`${key} can't be read, and is left out of its list:`, error);
      unreadable.set(key, { what, id });
      return [];
    }
  });
