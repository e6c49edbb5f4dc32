import { displayDigits } from '#core/quantity/display.ts';
import { unitSymbol } from '#core/quantity/unit.ts';
import type { DialIn } from '#core/tool/tool-setting.ts';

/** What to enter into an electronic tool before the pull, in one list. */
export const DialInList = ({
  dialled: { unit, target, low, high, graduation },
}: {
  readonly dialled: DialIn;
}) => {
  const show = (value: number): string =>
    displayDigits(value, { sourceDigits: 6, graduation: graduation * 10 });
  const symbol = unitSymbol(unit);
  const lines = [
    ['Unit', symbol],
    ['Target', `${show(target)} ${symbol}`],
    ['Band', `${show(low)} to ${show(high)} ${symbol}`],
    ['Zero', 'at rest, on a flat bench'],
  ] as const;
  return (
    <dl className="mt-1 grid grid-cols-[auto_1fr] gap-x-4 text-s" data-testid="dial-in">
      {lines.map(([name, value]) => (
        <div key={name} className="contents">
          <dt className="text-faint">{name}</dt>
          <dd className="font-mono">{value}</dd>
        </div>
      ))}
    </dl>
  );
};
