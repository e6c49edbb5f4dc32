import { vi } from 'vitest';

// Far longer than anything here takes: a shared machine stalls now and then, and what waits for a second try of the outbox waits half a second without that.
const PATIENCE_MS = 20_000;

/** Waits until a check holds; a check that never does fails with what it says. */
export const eventually = (check: () => unknown): Promise<unknown> =>
  vi.waitFor(check, { timeout: PATIENCE_MS, interval: 20 });
