import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { Piscina } from 'piscina';
import { type Result, refused } from '#core/result.ts';
import type { Problem } from '#wire/problems/problem.ts';
import doWork, { type HeavyWork } from './heavy-work.ts';

/** So many wait for their turn; more are told to come again. */
const MOST_WAITING = 32;
/** How long one piece may wait and work. */
const PATIENCE_MS = 15_000;
const IDLE_MS = 60_000;
const MEMORY_MB = 256;

let pool: Piscina | null = null;

// The thread reads the sources, as the commands do: JENTIK_ROOT says where they are. Where it is not set, as in tests, the work is done here.
const threads = (root: string): Piscina => {
  pool ??= new Piscina({
    filename: pathToFileURL(join(root, 'src', 'server', 'computing', 'heavy-work.ts')).href,
    execArgv: ['--import', 'tsx'],
    minThreads: 0,
    maxThreads: 1,
    maxQueue: MOST_WAITING,
    idleTimeout: IDLE_MS,
    resourceLimits: { maxOldGenerationSizeMb: MEMORY_MB },
  });
  return pool;
};

const isFull = (error: unknown): boolean =>
  error instanceof Error && error.message.includes('queue is at limit');

/** Does long work in a thread of its own, one piece after the other, so that pages go on being served. Refuses: computing-busy (too many wait),
 *  computing-too-long, and what the work refuses. */
export const inAThread = async (work: HeavyWork): Promise<Result<unknown, Problem>> => {
  const root = process.env['JENTIK_ROOT'];
  if (!root) return doWork(work);
  const signal = AbortSignal.timeout(PATIENCE_MS);
  try {
    return (await threads(root).run(work, { signal })) as Result<unknown, Problem>;
  } catch (error) {
    if (signal.aborted) return refused({ code: 'computing-too-long' });
    if (isFull(error)) return refused({ code: 'computing-busy' });
    throw error;
  }
};
