import { requirementRuns } from '../requirement/lex-requirement.ts';
import { plainPrint } from '../requirement/plain-print.ts';
import { readRequirement } from '../requirement/read-requirement.ts';
import type { Token } from '../requirement/requirement-token.ts';

/** A torque in a line of a label: where it stands, and whether it is clear or needs a question. */
export type LineTorque = { readonly start: number; readonly end: number; readonly isClear: boolean };

type Sureness = 'clear' | 'doubtful' | 'no';

const DOUBTS: ReadonlySet<string> = new Set([
  'ambiguous-unit',
  'ambiguous-torque',
  'units-differ',
  'range-reversed',
  'tolerance-too-wide',
  'out-of-bounds',
]);

const sureness = (text: string): Sureness => {
  const read = readRequirement(text, 'N.m');
  if (read.ok) return 'clear';
  return DOUBTS.has(read.refusal.code) ? 'doubtful' : 'no';
};

const BEGINS = 'NUF<>aBSH(+';
const ENDS = 'NUFA%°<>)fH';
/** Most ends and beginnings that are tried for one torque: no requirement has more tokens. */
const TRIED_MAX = 24;

const isUnit = ({ mark }: Token): boolean => mark === 'U' || mark === 'F';

/** Whether brackets open and close within a piece. */
const isWhole = (tokens: readonly Token[]): boolean => {
  let depth = 0;
  for (const { mark } of tokens) {
    if (mark === '(') depth += 1;
    if (mark === ')') depth -= 1;
    if (depth < 0) return false;
  }
  return depth === 0;
};

const BINDS_BEHIND = '±<>aB+&';
const BINDS_BEFORE = '±%°A';

/** Whether a piece would be cut from what belongs to it: the other end of a range, a bound before it, a tolerance or an angle behind it. */
const isCutOff = (run: readonly Token[], from: number, to: number): boolean => {
  const [behind, other] = [run[from - 1]?.mark ?? '', run[from - 2]?.mark ?? ''];
  const next = run[to + 1]?.mark ?? '';
  const isOtherEnd = behind === '-' && 'NUF%'.includes(other) && other !== '';
  return (
    isOtherEnd ||
    (behind !== '' && BINDS_BEHIND.includes(behind)) ||
    (next !== '' && BINDS_BEFORE.includes(next))
  );
};

type Found = { readonly from: number; readonly to: number; readonly isClear: boolean };

/** The longest piece of a run that is a torque, from some token on: a clear one before a doubtful one. */
const longestIn = (text: string, run: readonly Token[], first: number): Found | null => {
  const unit = run.findIndex((token, index) => index >= first && isUnit(token));
  const byHand = run.findIndex(({ mark }, index) => index >= first && (mark === 'S' || mark === 'H'));
  const anchor = unit < 0 ? byHand : byHand < 0 ? unit : Math.min(unit, byHand);
  if (anchor < 0) return null;
  let doubtful: Found | null = null;
  const last = Math.min(run.length - 1, first + TRIED_MAX);
  for (let to = last; to >= anchor; to -= 1) {
    if (!ENDS.includes((run[to] as Token).mark)) continue;
    for (let from = first; from <= anchor; from += 1) {
      const piece = run.slice(from, to + 1);
      // A unit begins a torque only where no number before it may be its own.
      const isOthersUnit = isUnit(run[from] as Token) && from > 0;
      if (
        isOthersUnit ||
        isCutOff(run, from, to) ||
        !BEGINS.includes((run[from] as Token).mark) ||
        !isWhole(piece)
      )
        continue;
      const sure = sureness(text.slice((run[from] as Token).start, (run[to] as Token).end));
      if (sure === 'clear') return { from, to, isClear: true };
      if (sure === 'doubtful') doubtful ??= { from, to, isClear: false };
    }
  }
  return doubtful;
};

/** The torques of a line, in order: each the longest piece that reads as one, with its tolerance, its angle and the same printed again in
 *  another unit. A bare number is none here. */
export const torquesIn = (raw: string): readonly LineTorque[] => {
  const text = plainPrint(raw);
  return requirementRuns(text).flatMap((run) => {
    const torques: LineTorque[] = [];
    let first = 0;
    for (;;) {
      const found = longestIn(text, run, first);
      if (!found) return torques;
      torques.push({
        start: (run[found.from] as Token).start,
        end: (run[found.to] as Token).end,
        isClear: found.isClear,
      });
      first = found.to + 1;
    }
  });
};
