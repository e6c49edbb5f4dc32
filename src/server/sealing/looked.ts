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

/** Looks, and where something is found looks again a moment later: people go on working meanwhile, and what they did between two questions is no finding. What
 *  somebody touched is found both times. */
export const confirmed = async <L extends Looked>(look: () => Promise<L>): Promise<L> => {
  const first = await look();
  if (first.findings.length === 0) return first;
  await new Promise((resolve) => setTimeout(resolve, AGAIN_MS));
  const second = await look();
  const before = new Set(first.findings.map((finding) => JSON.stringify(finding)));
  return { ...second, findings: second.findings.filter((finding) => before.has(JSON.stringify(finding))) };
};
