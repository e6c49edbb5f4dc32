import { useMemo, useState } from 'react';
import type { MatchedReading, MemoryChoice } from '#core/command/match-memory.ts';
import { unitSymbol } from '#core/quantity/unit.ts';
import { MEMORY_MATCH_WORDS } from '#wire/words/memory.ts';
import type { Column } from '../../kit/table/column.ts';
import { ListTable } from '../../kit/table/ListTable.tsx';
import { timeHere } from '../../kit/time/here.ts';
import type { Memory } from './use-memory.ts';

const TONES = { low: 'text-low', in: 'text-in', high: 'text-high' } as const;

const CHOICE_WORDS: Readonly<Record<MemoryChoice, string>> = {
  'leave-out': 'not of this job',
  again: 'the one before again',
  next: 'the next fastener',
};

const columnsOf = ({ choose }: Memory): readonly Column<MatchedReading>[] => [
  {
    id: 'line',
    name: 'Line',
    cell: ({ reading }) => <span className="font-mono">{reading.line}</span>,
    value: ({ reading }) => reading.line,
    isTitle: true,
  },
  {
    id: 'at',
    name: 'When',
    cell: ({ reading }) => timeHere(new Date(reading.at).toISOString()),
    value: ({ reading }) => reading.at,
  },
  {
    id: 'torque',
    name: 'It read',
    cell: ({ reading }) => `${reading.text} ${unitSymbol(reading.unit)}`,
    value: ({ reading }) => reading.value,
  },
  {
    id: 'fastener',
    name: 'Fastener',
    cell: ({ match }) =>
      'awaited' in match ? (
        <span>
          <strong className="font-mono">{match.awaited.position}</strong>, pass {match.awaited.pass}{' '}
          <strong className={TONES[match.stands]}>{match.stands}</strong>
        </span>
      ) : (
        <span className="text-unsure">{MEMORY_MATCH_WORDS[match.kind]}</span>
      ),
    value: ({ match }) => ('awaited' in match ? match.awaited.position : ''),
  },
  {
    id: 'how',
    name: 'Matched',
    cell: ({ match }) => MEMORY_MATCH_WORDS[match.kind],
    value: ({ match }) => MEMORY_MATCH_WORDS[match.kind],
    isChoice: true,
    isHiddenAtFirst: true,
  },
  {
    id: 'choice',
    name: 'It is',
    cell: ({ reading, match }) =>
      match.kind === 'recorded' || match.kind === 'outside' || match.kind === 'other-unit' ? null : (
        <select
          className="field"
          aria-label={`Line ${reading.line} is`}
          value=""
          onChange={(event) =>
            choose(reading.line, event.target.value === 'back' ? null : (event.target.value as MemoryChoice))
          }
        >
          <option value="">as matched</option>
          {Object.entries(CHOICE_WORDS).map(([value, words]) => (
            <option key={value} value={value}>
              {words}
            </option>
          ))}
          <option value="back">as it was matched first</option>
        </select>
      ),
  },
];

/** What of the memory is which fastener, to be looked through: what does not match stands first, and changing one moves all that follow. */
export const MemoryReview = ({ memory }: { readonly memory: Memory }) => {
  const [isAll, setAll] = useState(false);
  const { matched } = memory;
  const other = matched.filter(({ match }) => match.kind === 'outside' || match.kind === 'recorded').length;
  const columns = useMemo(() => columnsOf(memory), [memory]);
  const rows = useMemo(
    () => matched.filter(({ match }) => isAll || (match.kind !== 'outside' && match.kind !== 'recorded')),
    [matched, isAll],
  );
  return (
    <section aria-label="Review">
      <h2 className="mb-2 text-l font-bold">Look through what is matched</h2>
      <label className="mb-2 flex min-h-11 items-center gap-2">
        <input type="checkbox" checked={isAll} onChange={(event) => setAll(event.target.checked)} />
        also what is not of the time of this job, and what is in the record already: {other}
      </label>
      <ListTable
        caption="Readings of the memory"
        columns={columns}
        rows={rows}
        rowId={({ reading }) => String(reading.line)}
        searchIn={({ reading, match }) =>
          `${reading.line} ${reading.text} ${'awaited' in match ? match.awaited.position : ''}`
        }
      />
    </section>
  );
};
