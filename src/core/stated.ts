/** What was said, without what was not: fields of null or undefined are left out, as in the first forms that had no place for them. */
export const stated = <T extends object>(said: T): Partial<{ readonly [K in keyof T]: NonNullable<T[K]> }> =>
  Object.fromEntries(
    Object.entries(said).filter(([, value]) => value !== null && value !== undefined),
  ) as Partial<{ readonly [K in keyof T]: NonNullable<T[K]> }>;
