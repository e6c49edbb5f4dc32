/** The middle one of some values. */
export const median = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? 0;

/** Prints what was measured, one line each, so that two runs can be laid side by side. */
export const printMeasured = (name: string, times: readonly number[]): void => {
  const slow = [...times].sort((a, b) => a - b)[Math.floor(times.length * 0.95)] ?? 0;
  console.log(
    `${name.padEnd(64)} median ${median(times).toFixed(2)} ms, 95 % under ${slow.toFixed(2)} ms of ${times.length}`,
  );
};

/** Measures a piece of work over several runs, after one that warms up. */
export const measured = (name: string, runs: number, work: () => unknown): void => {
  work();
  printMeasured(
    name,
    Array.from({ length: runs }, () => {
      const start = performance.now();
      work();
      return performance.now() - start;
    }),
  );
};

/** The same for work that waits for something. */
export const measuredAsync = async (
  name: string,
  runs: number,
  work: (run: number) => Promise<unknown>,
): Promise<void> => {
  await work(0);
  const times: number[] = [];
  for (let run = 1; run <= runs; run += 1) {
    const start = performance.now();
    await work(run);
    times.push(performance.now() - start);
  }
  printMeasured(name, times);
};
