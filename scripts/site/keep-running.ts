import { isEnding } from './child.ts';

const FIRST_PAUSE_MS = 1_000;
const LONGEST_PAUSE_MS = 60_000;
/** What ran for so long begins with a short pause again. */
const STEADY_MS = 120_000;

const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

/** A part of a site that is started again when it ends by itself. */
export type Part = {
  readonly name: string;
  readonly log: string;
  /** When the one that runs now ends. */
  readonly exited: () => Promise<unknown>;
  readonly startAgain: () => Promise<void>;
  /** Whether it is over for good. */
  readonly isOver?: () => boolean;
};

/** Starts a part of a site again whenever it ends by itself, with a pause that grows while it does not last, and says so. */
export const keepRunning = async ({
  name,
  log,
  exited,
  startAgain,
  isOver = isEnding,
}: Part): Promise<void> => {
  let pauseMs = FIRST_PAUSE_MS;
  while (!isOver()) {
    const began = Date.now();
    await exited();
    if (isOver()) return;
    if (Date.now() - began > STEADY_MS) pauseMs = FIRST_PAUSE_MS;
    for (let runs = false; !runs && !isOver(); ) {
      console.error(`${name} ended by itself; it is started again in ${pauseMs / 1000} s. Its log: ${log}`);
      await pause(pauseMs);
      pauseMs = Math.min(pauseMs * 2, LONGEST_PAUSE_MS);
      if (isOver()) return;
      runs = await startAgain().then(
        () => true,
        (error: unknown) => {
          if (!isOver()) console.error(error instanceof Error ? error.message : error);
          return false;
        },
      );
    }
    if (!isOver()) console.error(`${name} runs again.`);
  }
};
