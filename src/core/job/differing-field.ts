/** Numbers of a record are rounded; two engines may round a half apart. Relative to 1, or to the value where it is larger. */
const NUMBER_TOLERANCE = 2e-6;
const PROBABILITY_TOLERANCE = 2e-4;

const isSame = (a: unknown, b: unknown, field: string): boolean => {
  if (typeof a === 'number' && typeof b === 'number') {
    const tolerance = field === 'probability' ? PROBABILITY_TOLERANCE : NUMBER_TOLERANCE;
    return Math.abs(a - b) <= tolerance * Math.max(1, Math.abs(a));
  }
  if (a !== null && b !== null && typeof a === 'object' && typeof b === 'object')
    return differingField(a, b) === null;
  return a === b;
};

/** The first field in which two plain objects differ, numbers compared within rounding; null when none does. */
export const differingField = (worked: object, stated: object): string | null => {
  const a = new Map(Object.entries(worked));
  const b = new Map(Object.entries(stated));
  const fields = [...new Set([...a.keys(), ...b.keys()])];
  return fields.find((field) => !isSame(a.get(field), b.get(field), field)) ?? null;
};
