const PATIENCE_MS = 3_000;

/** Whether the site answers this device now. Asked before somebody is sent to a page that only the site can show. */
export const siteAnswers = (): Promise<boolean> =>
  fetch('/api/v1/people', { signal: AbortSignal.timeout(PATIENCE_MS) }).then(
    ({ ok }) => ok,
    () => false,
  );
