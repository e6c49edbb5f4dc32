import { existsSync, readFileSync, rmSync } from 'node:fs';
import { stripVTControlCharacters } from 'node:util';
import { inProject } from '../site/paths.ts';
import { ran } from './ran.ts';

/** How many of a part's tests passed and failed, and what there is to know of each that failed. */
export type Count = {
  readonly passed: number;
  readonly failed: number;
  readonly failures: readonly string[];
};

const RESULTS = inProject('.jentik', 'test-results');

// A log may be kept by its end only: each failure gets so many lines of it.
const MOST_LINES = 16;
const failure = (name: string, messages: readonly string[]): string =>
  [name, ...messages.flatMap((each) => stripVTControlCharacters(each).split('\n'))]
    .slice(0, MOST_LINES)
    .join('\n');

/** A command of an installed package. */
export const bin = (name: string): string => inProject('node_modules', '.bin', name);

/** A command that passes or fails as a whole. What it says comes at its end where others run beside it. */
export const checked = async (
  name: string,
  command: string,
  args: readonly string[],
  isBeside = false,
): Promise<Count> => {
  console.log(`\n── ${name}${isBeside ? ', beside what follows' : ''}`);
  const { hasPassed, lastLines } = await ran(command, args, { isBeside });
  return hasPassed
    ? { passed: 1, failed: 0, failures: [] }
    : { passed: 0, failed: 1, failures: [[name, ...lastLines].join('\n')] };
};

/** One of the project's own scripts, which passes or fails as a whole. */
export const scriptChecked = (name: string, script: string, isBeside = false): Promise<Count> =>
  checked(name, process.execPath, ['--import', 'tsx', `scripts/${script}.ts`, '--small'], isBeside);

/** The counts in a runner's JSON report. A runner that died without one has failed, and one that failed without a failed test too. */
const reported = async <Report>(
  name: string,
  args: readonly string[],
  read: (report: Report) => Count,
): Promise<Count> => {
  const file = `${RESULTS}/${name}.json`;
  rmSync(file, { force: true });
  console.log(`\n── ${name} tests`);
  const [command = '', ...rest] = args;
  const { hasPassed, lastLines } = await ran(bin(command), rest, {
    environment: { PLAYWRIGHT_JSON_OUTPUT_NAME: file },
  });
  const count = existsSync(file)
    ? read(JSON.parse(readFileSync(file, 'utf8')) as Report)
    : { passed: 0, failed: 0, failures: [] };
  return hasPassed || count.failed > 0
    ? count
    : { ...count, failed: 1, failures: [[name, ...lastLines].join('\n')] };
};

type VitestReport = {
  readonly numPassedTests: number;
  readonly numFailedTests: number;
  readonly testResults: readonly {
    readonly name: string;
    readonly message: string;
    readonly assertionResults: readonly {
      readonly status: string;
      readonly fullName: string;
      readonly failureMessages: readonly string[];
    }[];
  }[];
};

/** The tests of one of Vitest's projects. */
export const vitestCounted = (project: string): Promise<Count> =>
  reported<VitestReport>(
    project,
    [
      'vitest',
      'run',
      '--project',
      project,
      '--reporter=default',
      '--reporter=json',
      `--outputFile.json=${RESULTS}/${project}.json`,
    ],
    ({ numPassedTests, numFailedTests, testResults }) => ({
      passed: numPassedTests,
      failed: numFailedTests,
      failures: testResults.flatMap(({ name, message, assertionResults }) => [
        ...(message ? [`${name}\n${message}`] : []),
        ...assertionResults
          .filter(({ status }) => status === 'failed')
          .map(({ fullName, failureMessages }) => failure(`${name}: ${fullName}`, failureMessages)),
      ]),
    }),
  );

type PlaywrightSuite = {
  readonly suites?: readonly PlaywrightSuite[];
  readonly specs: readonly {
    readonly ok: boolean;
    readonly file: string;
    readonly title: string;
    readonly tests: readonly {
      readonly results: readonly { readonly error?: { readonly message?: string } }[];
    }[];
  }[];
};
type PlaywrightReport = PlaywrightSuite & {
  readonly stats: { readonly expected: number; readonly unexpected: number };
};

const failedSpecs = ({ suites = [], specs = [] }: Partial<PlaywrightSuite>): readonly string[] => [
  ...specs
    .filter(({ ok }) => !ok)
    .map(({ file, title, tests }) => {
      const messages = tests.flatMap(({ results }) => results.flatMap(({ error }) => error?.message ?? []));
      return failure(`${file}: ${title}`, messages);
    }),
  ...suites.flatMap(failedSpecs),
];

/** The tests in a browser. */
export const browserCounted = (): Promise<Count> =>
  reported<PlaywrightReport>('browser', ['playwright', 'test'], (report) => ({
    passed: report.stats.expected,
    failed: report.stats.unexpected,
    failures: failedSpecs(report),
  }));
