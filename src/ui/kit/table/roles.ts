/** What the parts of a list are to a screen reader, said outright: laid out as cards, a browser would take them for no table. */
export const ROLES = {
  table: { role: 'table' },
  row: { role: 'row' },
  cell: { role: 'cell' },
  space: { role: 'presentation' },
  /** A region that scrolls must be reachable to be scrolled by keys. */
  scrolls: { tabIndex: 0 },
} as const;
