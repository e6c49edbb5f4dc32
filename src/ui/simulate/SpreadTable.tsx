import { memo } from 'react';
import type { Simulation } from '#core/simulate/simulation.ts';
import { shareWords } from '#wire/words/simulation.ts';

type Props = { readonly found: Simulation; readonly passNames: readonly string[] };

/** The spread after every pass: as planned, and over the runs in which friction and tool scatter. */
export const SpreadTable = memo(({ found, passNames }: Props) => (
  <table className="w-full text-left" data-testid="spreads">
    <caption className="mb-1 text-left text-s text-faint">
      Tightest less loosest, as a share of the wanted force
    </caption>
    <thead>
      <tr className="border-b border-rule text-s text-faint">
        <th scope="col" className="py-1 font-normal">
          After
        </th>
        <th scope="col" className="py-1 text-right font-normal">
          by the seat alone
        </th>
        <th scope="col" className="py-1 text-right font-normal">
          with scatter, 5 to 95 %
        </th>
      </tr>
    </thead>
    <tbody>
      {passNames.map((name, pass) => {
        const band = found.runs.spreads[pass];
        return (
          // biome-ignore lint/suspicious/noArrayIndexKey: a pass is what it is by its place
          <tr key={pass} className="border-b border-rule">
            <th scope="row" className="py-1.5 font-normal">
              {name}
            </th>
            <td className="py-1.5 text-right font-mono whitespace-nowrap">
              {shareWords(found.spreads[pass] ?? 0)}
            </td>
            <td className="py-1.5 text-right font-mono whitespace-nowrap">
              {band && `${shareWords(band[0])} to ${shareWords(band[2])}`}
            </td>
          </tr>
        );
      })}
    </tbody>
  </table>
));
