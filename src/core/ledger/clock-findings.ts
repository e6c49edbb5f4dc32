import type { JobEvent } from '../event/event.ts';

/** Events whose stated time can't be true; each was judged by the time of its receipt. */
export const clockFindings = (events: readonly JobEvent[]) =>
  events.flatMap(({ id, clock, deviceTime, serverTime }) =>
    clock?.finding ? [{ event: id, finding: clock.finding, deviceTime, serverTime }] : [],
  );
