import type { DerivationRule } from '#core/target/derivation.ts';
import type { Drive } from '#core/tool/drive.ts';
import type { Assumption } from '#core/view/assumptions.ts';
import { RULE_WORDS } from './derivation.ts';
import { HEAD_DRIVE_WORDS } from './head-drive.ts';

const MOST_NAMED = 6;

const positionsWords = (positions: readonly string[], total: number): string => {
  if (positions.length === total && total > 1)
    return total === 2 ? 'either fastener' : `any of the ${total} fasteners`;
  // "and 1 more" takes the room of its name.
  if (positions.length <= MOST_NAMED + 1) return positions.join(', ');
  return `${positions.slice(0, MOST_NAMED).join(', ')} and ${positions.length - MOST_NAMED} more`;
};

/** What was assumed on a job, in a title and a sentence. `total` is how many fasteners the job has. */
export const assumptionWords = (
  { id, what, positions }: Assumption,
  total: number,
): { readonly title: string; readonly detail: string } => {
  const where = positionsWords(positions, total);
  if (id === 'assumed-drive')
    return {
      title: `Drive assumed: ${what.map((drive) => HEAD_DRIVE_WORDS[drive as Drive] ?? drive).join(', ')}`,
      detail: `The list names no drive for ${where}. Look at the heads before you choose the bit.`,
    };
  const rules = what.map((rule) => RULE_WORDS[rule as DerivationRule] ?? rule).join('; ');
  return {
    title: 'Limits assumed',
    detail: `The source does not print them for ${where}; taken: ${rules}. Ask the maker where you can.`,
  };
};

/** What a person confirmed to have read, beside the cautions, by its id. */
export const ASSUMPTION_TITLES: Record<Assumption['id'], string> = {
  'assumed-drive': 'that a drive is assumed',
  'assumed-acceptance': 'that limits are assumed',
};
