import { shortFigure } from '#core/quantity/display.ts';
import type { Purchase } from '#core/tool/what-to-buy.ts';
import { TOOL_KIND_WORDS } from '#wire/words/tool.ts';

const KINDS: Readonly<Record<string, string>> = TOOL_KIND_WORDS;
const MOST_NAMES = 8;

/** What the book asks that no tool of the crib does surely enough, and the fewest tools that would. */
export const ToBuyPanel = ({ purchases }: { readonly purchases: readonly Purchase[] }) => (
  <section className="panel mx-auto mt-4 grid max-w-6xl gap-2 p-4" aria-label="What to buy">
    <h2 className="text-l font-bold">What to buy</h2>
    {purchases.length === 0 ? (
      <p>The crib can do everything that the book asks.</p>
    ) : (
      <>
        <p>
          No tool here is accurate enough for these.{' '}
          {purchases.length === 1 ? 'One tool' : `${purchases.length} tools`} would:
        </p>
        <ul className="grid gap-2">
          {purchases.map(({ kinds, from, to, limitPercent, thread, names }) => (
            <li key={`${kinds.join()} ${thread} ${from}`} className="border-t border-rule pt-2">
              <strong>{kinds.map((kind) => KINDS[kind] ?? kind).join(' or ')}</strong>, {shortFigure(from)} to{' '}
              {shortFigure(to)} N·m, within ±{shortFigure(limitPercent)} % of reading
              {thread === 'left' && ', for left-hand threads'}
              <span className="block text-s text-faint">
                for {names.slice(0, MOST_NAMES).join(', ')}
                {names.length > MOST_NAMES && ` and ${names.length - MOST_NAMES} more`}
              </span>
            </li>
          ))}
        </ul>
      </>
    )}
  </section>
);
