const turns = new Map<string, Promise<unknown>>();

/** Runs what concerns one job after what this process was asked to do with it before: people who write to the same job at once would only wait for
 *  its row, each with a connection in hand that others need. */
export const inTurn = async <T>(jobId: string, work: () => Promise<T>): Promise<T> => {
  const before = turns.get(jobId) ?? Promise.resolve();
  const mine = before.then(work, work);
  // Whoever comes next waits for the end of this one, not for its success.
  const ended = mine.catch(() => undefined);
  turns.set(jobId, ended);
  try {
    return await mine;
  } finally {
    if (turns.get(jobId) === ended) turns.delete(jobId);
  }
};
