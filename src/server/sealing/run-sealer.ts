import { randomUUID } from 'node:crypto';
import { isDatabaseAway } from '../database/away.ts';
import { database } from '../database/pool.ts';
import { isConflict } from '../database/transaction.ts';
import { releaseSealer } from '../queries/site-chain.ts';
import { checkNightly } from './nightly-check.ts';
import { sealOnce } from './sealer.ts';

const TURN_EVERY_MS = 3_000;
/** New rows are looked for at every so many turns: that reads more than the heads of jobs. */
const WHOLE_EVERY = 5;

let lastSaid = '';

const sayOnce = (error: unknown): void => {
  // A database that is away or busy is asked again at the next turn.
  if (isDatabaseAway(error) || isConflict(error)) return;
  const text = error instanceof Error ? error.message : String(error);
  if (text !== lastSaid) console.error('the sealer could not go on, and tries again:', error);
  lastSaid = text;
};

/** Lets the sealer take its turns in the background until the returned function is called, which witnesses once more and gives its place free. */
export const runSealer = (): (() => Promise<void>) => {
  const holder = randomUUID();
  let isOver = false;
  let turns = 0;
  let turn: Promise<void> = Promise.resolve();
  let timer: ReturnType<typeof setTimeout>;
  const next = (): void => {
    timer = setTimeout(() => {
      turns += 1;
      turn = sealOnce(holder, false, turns % WHOLE_EVERY === 1)
        .then(async (isMine) => {
          if (isMine && !isOver) await checkNightly();
        })
        .catch(sayOnce)
        .finally(() => {
          if (!isOver) next();
        });
    }, TURN_EVERY_MS);
    timer.unref();
  };
  next();
  return async () => {
    isOver = true;
    clearTimeout(timer);
    await turn;
    await sealOnce(holder, true).catch(sayOnce);
    await releaseSealer(database(), holder).catch(sayOnce);
  };
};
