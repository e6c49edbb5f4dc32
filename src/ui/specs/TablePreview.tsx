import { unitSymbol } from '#core/quantity/unit.ts';
import { type Cell, cellText, type ReadTable, type TableFinding } from '#core/spec/lookup/lookup-table.ts';
import { printedTorques } from '#core/spec/requirement/requirement.ts';
import { spanWords, valueWords } from '#wire/words/lookup.ts';
import { DoubtfulCell } from '../shared/DoubtfulCell.tsx';
import type { TableDraft } from './use-table-draft.ts';

type Props = {
  readonly read: ReadTable;
  readonly findings: readonly TableFinding[];
  readonly onResolve: TableDraft['settle'];
  readonly onDrop: TableDraft['dropRow'];
};

/** The unit most of a column's values are printed in. */
const likelyUnit = (rows: ReadTable['rows'], column: number): string | null => {
  const units = rows.flatMap(({ values }) => {
    const cell = values[column];
    const torque =
      cell?.ok && cell.value?.kind === 'torque' ? printedTorques(cell.value.read.requirement)[0] : undefined;
    return torque ? [unitSymbol(torque.unit)] : [];
  });
  const count = (unit: string): number => units.filter((each) => each === unit).length;
  return [...new Set(units)].sort((a, b) => count(b) - count(a))[0] ?? null;
};

const Shown = ({ cell, words }: { readonly cell: Cell; readonly words: string }) => (
  <>
    <span className="font-mono">{cell.printed || (cell.readAs === null ? '–' : '')}</span>
    {cell.readAs !== null && (
      <strong className="text-unsure">
        {' '}
        {cell.printed === '' ? `${cell.readAs} assumed` : `settled: ${cell.readAs}`}
      </strong>
    )}
    {words !== cellText(cell) && <span className="block text-s text-faint">{words}</span>}
  </>
);

/** Every cell of a table with how it was read; those in doubt are settled where they stand. */
export const TablePreview = ({ read: { table, rows }, findings, onResolve, onDrop }: Props) => {
  const findingAt = (row: number, part: TableFinding['part'], column: number): TableFinding | undefined =>
    findings.find((each) => each.row === row && each.part === part && each.column === column);
  const doubtful = (finding: TableFinding, cell: Cell) => (
    <DoubtfulCell
      refusal={finding.refusal}
      where={`row ${finding.row + 1}`}
      text={cellText(cell)}
      onResolve={(text) => onResolve(finding, text)}
      likelyUnit={finding.part === 'value' ? likelyUnit(rows, finding.column) : null}
    />
  );
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: a region that scrolls sideways must be reachable to be scrolled by keys
    <section className="overflow-x-auto" aria-label="Preview" tabIndex={0}>
      <table className="w-full border-collapse text-m">
        <caption className="sr-only">How each cell was read</caption>
        <thead>
          <tr className="align-bottom">
            {table.keys.map(({ name, unit }, column) => (
              <th
                // biome-ignore lint/suspicious/noArrayIndexKey: columns have no identity but their place
                key={column}
                scope="col"
                className="border-b-2 border-rule p-2 text-left text-s font-normal text-faint"
              >
                {name}
                {unit && `, ${unit}`}
              </th>
            ))}
            {table.values.map(({ name, unit }, column) => (
              <th
                // biome-ignore lint/suspicious/noArrayIndexKey: columns have no identity but their place
                key={column}
                scope="col"
                className="border-b-2 border-rule p-2 text-left text-s font-normal text-faint"
              >
                {name}
                {unit && `, ${unitSymbol(unit)}`}
              </th>
            ))}
            <th aria-label="Leave out" className="border-b-2 border-rule" />
          </tr>
        </thead>
        <tbody>
          {rows.map((row, index) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: rows have no identity but their place in the print
            <tr key={index} className="border-b border-rule align-top" data-row={index}>
              {table.keys.map(({ kind }, column) => {
                const cell = row.source.keys[column] as Cell;
                const finding = findingAt(index, 'key', column);
                const span = row.keys[column];
                return (
                  // biome-ignore lint/suspicious/noArrayIndexKey: cells neither
                  <td key={column} className="p-2">
                    {finding ? (
                      doubtful(finding, cell)
                    ) : (
                      <Shown cell={cell} words={span?.ok ? spanWords(kind, span.value) : ''} />
                    )}
                  </td>
                );
              })}
              {table.values.map((_, column) => {
                const cell = row.source.values[column] as Cell;
                const finding = findingAt(index, 'value', column);
                const value = row.values[column];
                return (
                  // biome-ignore lint/suspicious/noArrayIndexKey: cells neither
                  <td key={column} className="p-2">
                    {finding ? (
                      doubtful(finding, cell)
                    ) : (
                      <Shown cell={cell} words={value?.ok ? valueWords(value.value) : ''} />
                    )}
                  </td>
                );
              })}
              <td className="p-1 text-right">
                <button
                  type="button"
                  className="min-h-11 px-2 whitespace-nowrap text-layout underline underline-offset-3"
                  onClick={() => onDrop(index)}
                >
                  leave out
                </button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
};
