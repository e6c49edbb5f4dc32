/** Now, as an ISO 8601 instant in milliseconds. The one place the server reads its clock. */
export const now = (): string => new Date().toISOString();

/** An instant some seconds later. */
export const secondsAfter = (instant: string, seconds: number): string =>
  new Date(Date.parse(instant) + seconds * 1000).toISOString();
