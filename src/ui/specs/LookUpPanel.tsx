import { useState } from 'react';
import { unitSymbol } from '#core/quantity/unit.ts';
import { type FromBook, fromLookUp } from '#core/spec/book/from-book.ts';
import type { Source } from '#core/spec/book/source.ts';
import { sourceName } from '#core/spec/book/source.ts';
import { lookAlikes } from '#core/spec/lookup/look-alike-keys.ts';
import { type LookUp, lookUp } from '#core/spec/lookup/look-up.ts';
import { cellText, type LookupTable, readLookupTable } from '#core/spec/lookup/lookup-table.ts';
import { plainSpecification } from '#core/spec/requirement/specification.ts';
import type { KeptTable } from '#wire/book.ts';
import { problemDetails } from '#wire/problems/problem-details.ts';
import type { Site } from '#wire/site.ts';
import { requirementWords } from '#wire/words/requirement.ts';
import { ProblemNotice } from '../kit/ProblemNotice.tsx';
import { Tick } from '../kit/Tick.tsx';
import { LiveDerivation } from './LiveDerivation.tsx';
import { LookUpKey } from './LookUpKey.tsx';

type Props = {
  readonly kept: KeptTable;
  readonly source: Source;
  readonly site: Site;
  /** A row to begin with, as the search found it. */
  readonly firstRow?: number | null;
  /** Shown only where a value can be taken somewhere. */
  readonly onTake?: (taken: FromBook) => void;
  /** What taking it is called, before the value; where it is not said, it is taken. */
  readonly takeWords?: string;
};

const rowWords = ({ rows, values }: LookupTable, index: number): string => {
  const row = rows[index];
  if (!row) return '';
  const printed = row.values.map((cell, column) => {
    const unit = values[column]?.unit;
    return `${cellText(cell) || '–'}${unit ? ` ${unitSymbol(unit)}` : ''}`;
  });
  return `${row.keys.map(cellText).join(', ')}: ${printed.join(' | ')}`;
};

const Rows = ({
  table,
  rows,
  name,
}: {
  readonly table: LookupTable;
  readonly rows: readonly number[];
  readonly name: string;
}) =>
  rows.length > 0 && (
    <div>
      <p className="text-s text-faint">{name}</p>
      <ul className="font-mono text-m">
        {rows.map((row) => (
          <li key={row}>{rowWords(table, row)}</li>
        ))}
      </ul>
    </div>
  );

const firstAnswers = (table: LookupTable, row: number | null): readonly (string | null)[] =>
  table.keys.map((_, column) =>
    row === null ? null : cellText(table.rows[row]?.keys[column] ?? { printed: '', readAs: null }) || null,
  );

const Found = ({
  result,
  kept,
  source,
  site,
  onTake,
  takeWords = 'Take',
}: Props & { readonly result: Extract<LookUp, { kind: 'found' | 'interpolated' }> }) => {
  const [isSofter, setSofter] = useState(false);
  const { body } = kept;
  const column = body.values[result.valueColumn];
  const requirement =
    result.kind === 'interpolated'
      ? result.requirement
      : result.value?.kind === 'torque'
        ? result.value.read.requirement
        : null;
  const taken = fromLookUp(kept, source, result, isSofter);
  if (result.kind === 'found' && result.value === null)
    return (
      <div className="grid gap-2">
        <p className="text-l font-bold">The table prints no value here.</p>
        <Rows table={body} rows={[result.row, ...result.neighbours]} name="The row and its neighbours" />
      </div>
    );
  return (
    <div className="grid gap-3" data-testid="found">
      <p className="text-2xl leading-10 font-bold">
        {requirement
          ? requirementWords(requirement)
          : result.kind === 'found' && result.value?.kind === 'text' && result.value.text}
      </p>
      <p>
        {body.values.length > 1 && `${column?.name}. `}
        <strong>{sourceName(source)}</strong>, {kept.place}
        {result.kind === 'found' && `, row ${rowWords(body, result.row).split(':')[0]}`}
        {source.status !== 'current' && <strong className="text-high"> ({source.status})</strong>}.
        {result.kind === 'interpolated' && (
          <strong className="text-low">
            {' '}
            Between two rows; this table says that it may be interpolated.
          </strong>
        )}
        {result.kind === 'found' &&
          result.holdsFor.map(({ column: key, printed }) => (
            <strong key={key} className="text-unsure">
              {' '}
              Holds only for {body.keys[key]?.name}: {printed}.
            </strong>
          ))}
        {body.madeForMaterial && ` Made for ${body.madeForMaterial}.`}
      </p>
      {body.footnote && <p className="text-s text-faint">{body.footnote}</p>}
      {result.kind === 'found' ? (
        <Rows table={body} rows={result.neighbours} name="Rows next to it" />
      ) : (
        <Rows table={body} rows={result.rows} name="The rows it lies between" />
      )}
      {requirement && (
        <>
          {body.madeForMaterial && (
            <Tick isOn={isSofter} onChange={setSofter}>
              my part is softer than {body.madeForMaterial}
            </Tick>
          )}
          <LiveDerivation
            key={`${requirementWords(requirement)}${isSofter}`}
            specification={{ ...plainSpecification(requirement), isForHarderMaterial: isSofter }}
            site={site}
          />
        </>
      )}
      {onTake && taken && (
        <button type="button" className="act min-h-14" onClick={() => onTake(taken)}>
          {takeWords} {taken.torque.printed}
        </button>
      )}
    </div>
  );
};

/** A table looked up by its keys: asks only what still makes a difference, narrows as one types, answers with the row, its source and its
 *  neighbours, or why nothing fits. */
export const LookUpPanel = (props: Props) => {
  const { kept, site, firstRow = null } = props;
  const { body } = kept;
  const [keys, setKeys] = useState(() => firstAnswers(body, firstRow));
  const [valueColumn, setValueColumn] = useState<number | null>(null);
  const read = readLookupTable(body, site.unit);
  const answers = { keys, valueColumn };
  const result = lookUp(read, answers);
  const questions = result.kind === 'open' ? result.questions : [];
  const answer = (column: number, text: string): void =>
    setKeys((now) => now.map((each, index) => (index === column ? (text === '' ? null : text) : each)));
  const isAsked = (column: number): boolean =>
    keys[column] !== null ||
    questions.some((question) => question.kind === 'key' && question.column === column);
  const columnChoices = questions.find((question) => question.kind === 'value-column')?.choices ?? [];
  return (
    <div className="grid content-start gap-3">
      {body.keys.map((key, column) => {
        const question = questions.find((each) => each.kind === 'key' && each.column === column);
        const choices = question?.kind === 'key' ? question.choices : [];
        return (
          isAsked(column) && (
            <LookUpKey
              key={key.name}
              of={key}
              text={keys[column] ?? ''}
              choices={choices}
              onAnswer={(text) => answer(column, text)}
            />
          )
        );
      })}
      {(columnChoices.length > 0 || valueColumn !== null) && (
        <fieldset className="m-0 grid gap-2 border-0 p-0">
          <legend className="mb-1 p-0">Which of these</legend>
          {body.values.map((column, index) =>
            columnChoices.includes(index) || valueColumn === index ? (
              <button
                key={column.name}
                type="button"
                aria-pressed={valueColumn === index}
                className="act-quiet justify-start py-2 text-left aria-pressed:border-layout aria-pressed:font-bold"
                onClick={() => setValueColumn(valueColumn === index ? null : index)}
              >
                {column.name}
              </button>
            ) : null,
          )}
        </fieldset>
      )}
      {result.kind === 'open' && (
        <p className="text-s text-faint">
          {result.candidates.length} of {body.rows.length} rows fit so far.
        </p>
      )}
      {result.kind === 'unreadable' && <ProblemNotice problem={problemDetails(result.refusal)} />}
      {result.kind === 'several' && (
        <div className="rounded-md border-2 border-high p-3">
          <strong>Two rows fit.</strong> The table contradicts itself here; ask its maker which governs.
          <Rows table={body} rows={result.rows} name="The rows" />
        </div>
      )}
      {result.kind === 'none' && (
        <div className="grid gap-2 rounded-md border-2 border-low p-3" data-testid="why-not">
          <strong>Nothing fits, and nothing is guessed between rows.</strong>
          {result.whyNot.length === 0 && <p>No row fits more than one of the answers; check each of them.</p>}
          {result.whyNot.map(({ column, answer: text, nearest }) => (
            <div key={column}>
              <p>
                {body.keys[column]?.name}: no row for <strong>{text}</strong>.
              </p>
              <Rows table={body} rows={nearest} name="Nearest" />
            </div>
          ))}
        </div>
      )}
      {lookAlikes(read, answers).map(({ answer: other, row }) => (
        <p key={other} className="border-l-4 border-unsure pl-2" data-testid="look-alike">
          Does the print say <strong>{other}</strong>? That is another row: {rowWords(body, row)}.
        </p>
      ))}
      {(result.kind === 'found' || result.kind === 'interpolated') && <Found {...props} result={result} />}
    </div>
  );
};
