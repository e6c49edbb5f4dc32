const DAY_MS = 86_400_000;

/** Days of a re-torque interval at the most: ten years. */
export const INTERVAL_MAX_DAYS = 3_650;

/** When a machine is to be tightened again: so many days after it was worked on last, as an instant. */
export const dueAgainAt = (lastAt: string, days: number): string =>
  new Date(Date.parse(lastAt) + days * DAY_MS).toISOString();
