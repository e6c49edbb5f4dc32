/** What a benchmark prints: as a line for people, or with --json as one object a line. */
const isJson = process.argv.includes('--json');

const at = (values: readonly number[], share: number): number =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * share))] ?? 0;

/** The middle one of some values. */
export const median = (values: readonly number[]): number => at(values, 0.5);

const rounded = (value: number): number => Number(value.toPrecision(4));

/** A figure of a benchmark. `ratio` compares its median with a rival's that ran in the same run. */
export type Figure = {
  readonly name: string;
  readonly values: readonly number[];
  readonly unit: string;
  readonly ratio?: number;
};

/** Prints what was measured, so that two runs can be laid side by side. */
export const printFigure = ({ name, values, unit, ratio }: Figure): void => {
  const [middle, p99] = [rounded(median(values)), rounded(at(values, 0.99))];
  if (isJson)
    console.log(
      JSON.stringify({
        name,
        median: middle,
        p99,
        unit,
        ...(ratio === undefined ? {} : { ratio: rounded(ratio) }),
      }),
    );
  else
    console.log(
      `${name.padEnd(72)} median ${middle} ${unit}, 99 % ${p99} of ${values.length}${
        ratio === undefined ? '' : `, ratio ${rounded(ratio)}`
      }`,
    );
};

/** Prints times in milliseconds. */
export const printMeasured = (name: string, times: readonly number[], ratio?: number): void =>
  printFigure({ name, values: times, unit: 'ms', ...(ratio === undefined ? {} : { ratio }) });

/** Measures a piece of work over several runs, after one that warms up, and answers the times. */
export const timed = (runs: number, work: () => unknown): readonly number[] => {
  work();
  return Array.from({ length: runs }, () => {
    const start = performance.now();
    work();
    return performance.now() - start;
  });
};

/** Measures a piece of work over several runs, after one that warms up. */
export const measured = (name: string, runs: number, work: () => unknown): void =>
  printMeasured(name, timed(runs, work));

/** The same for work that waits for something. */
export const timedAsync = async (
  runs: number,
  work: (run: number) => Promise<unknown>,
): Promise<readonly number[]> => {
  const times: number[] = [];
  for (let run = 1; run <= runs; run += 1) {
    const start = performance.now();
    await work(run);
    times.push(performance.now() - start);
  }
  return times;
};

/** The same, after one run that warms up, printed. */
export const measuredAsync = async (
  name: string,
  runs: number,
  work: (run: number) => Promise<unknown>,
): Promise<void> => {
  await work(0);
  printMeasured(name, await timedAsync(runs, work));
};
