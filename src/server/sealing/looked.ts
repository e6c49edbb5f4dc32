import type { LedgerFinding } from '#wire/ledger-check.ts';

/** How much was looked at, and how much of it came after the last witness. */
export type Tally = {
  events: number;
  rows: number;
  unwitnessed: { jobs: number; events: number; rows: number };
};
/** Nothing looked at yet. */
export const nothing = (): Tally => ({ events: 0, rows: 0, unwitnessed: { jobs: 0, events: 0, rows: 0 } });

/** Two of them together. */
export const added = (a: Tally, b: Tally): Tally => ({
  events: a.events + b.events,
  rows: a.rows + b.rows,
  unwitnessed: {
    jobs: a.unwitnessed.jobs + b.unwitnessed.jobs,
    events: a.unwitnessed.events + b.unwitnessed.events,
    rows: a.unwitnessed.rows + b.unwitnessed.rows,
  },
});

/** What a look at a part of it came to. */
export type Looked = { readonly findings: readonly LedgerFinding[]; readonly tally: Tally };

const AGAIN_MS = 400;

/** Looks at several parts one after the other, and once more, a moment later, at those where something is found: people go on working meanwhile, and what they did between
 *  two questions is no finding. What somebody touched is found both times. */
export const confirmed = async <L extends Looked>(
  looks: readonly (() => Promise<L>)[],
): Promise<readonly L[]> => {
  const firsts: L[] = [];
  for (const look of looks) firsts.push(await look());
  if (firsts.every(({ findings }) => findings.length === 0)) return firsts;
  await new Promise((resolve) => setTimeout(resolve, AGAIN_MS));
  const seconds: L[] = [];
  for (const [index, first] of firsts.entries()) {
    const second = first.findings.length === 0 ? first : await (looks[index] as () => Promise<L>)();
    const before = new Set(first.findings.map((finding) => JSON.stringify(finding)));
    seconds.push({ ...second, findings: second.findings.filter((each) => before.has(JSON.stringify(each))) });
  }
  return seconds;
};

/** The same for one part. */
export const confirmedOne = async <L extends Looked>(look: () => Promise<L>): Promise<L> =>
  (await confirmed([look]))[0] as L;
