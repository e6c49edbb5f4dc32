/** An instant as a person here reads it. */
export const localTime = (instant: string): string =>
  new Date(instant).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' });
