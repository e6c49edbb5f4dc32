import { useState } from 'react';
import type { LedgerEvent } from '#core/event/lifted.ts';
import type { Person } from '#core/people/person.ts';
import { isIndicating } from '#core/tool/tool.ts';
import { MEMORY_FAULT_WORDS, memoryRefusalWords } from '#wire/words/memory.ts';
import { FileButton } from '../../shared/FileButton.tsx';
import { ProgressBar } from '../../shared/ProgressBar.tsx';
import { RefusalWords } from '../bench/RefusalWords.tsx';
import { JobHeader } from '../JobHeader.tsx';
import { useJob } from '../use-job.ts';
import { MemoryColumns } from './MemoryColumns.tsx';
import { MemoryReview } from './MemoryReview.tsx';
import { useMemory } from './use-memory.ts';

type Props = { readonly events: readonly LedgerEvent[]; readonly person: Person };

const counted = (count: number, one: string, many: string): string => `${count} ${count === 1 ? one : many}`;

/** The memory of a tool read into a job: its columns, what is which fastener, what is like none, and all of it recorded. */
export const MemoryScreen = ({ events, person }: Props) => {
  const job = useJob(events[0]?.job ?? '', events, person);
  const { view } = job;
  const tools = [...view.takenTools.values()].map(({ tool }) => tool).filter(isIndicating);
  const [toolId, setToolId] = useState(tools.at(-1)?.id ?? '');
  const tool = tools.find(({ id }) => id === toolId) ?? null;
  const memory = useMemory(job, tool);
  const { read, refusal, matched, unmet, faults, progress, recorded } = memory;
  const ready = matched.filter(({ match }) => 'awaited' in match).length;
  const unlike = matched.filter(({ match }) => match.kind === 'unlike' || match.kind === 'over').length;
  return (
    <>
      <JobHeader job={job} tab="bench" />
      <div className="grid grid-cols-[minmax(0,1fr)] gap-5 p-4 sm:p-6">
        <h2 className="text-xl font-bold">The memory of a tool</h2>
        {tool ? (
          <div className="flex flex-wrap items-center gap-4">
            <label className="flex items-center gap-2">
              Memory of
              <select className="field" value={toolId} onChange={(event) => setToolId(event.target.value)}>
                {tools.map(({ id, code, serial }) => (
                  <option key={id} value={id}>
                    {code} ({serial})
                  </option>
                ))}
              </select>
            </label>
            <FileButton
              words={read ? 'Choose another file' : 'Choose its file (CSV)'}
              accept=".csv,.txt,text/csv"
              onFile={(file) => void memory.load(file)}
            />
            {read && (
              <p className="text-s text-faint">
                {read.name}: {counted(read.table.rows.length, 'line', 'lines')}
                {read.isKept && ', columns as you said them last'}
              </p>
            )}
          </div>
        ) : (
          <p>
            No tool with a memory is taken on this job.{' '}
            <a href={`/jobs/${view.job}/plan`}>Take it on the Plan</a>.
          </p>
        )}
        {refusal && (
          <p role="alert" className="border-l-4 border-high pl-3">
            {refusal === 'worker'
              ? 'It could not be read here. Open this page again.'
              : memoryRefusalWords(refusal)}
          </p>
        )}
        <MemoryColumns memory={memory} />
        {faults.length > 0 && (
          <details>
            <summary className="min-h-11 font-bold text-unsure">
              {counted(faults.length, 'line is', 'lines are')} not read
            </summary>
            <ul>
              {faults.slice(0, 50).map(({ line, code, text }) => (
                <li key={line}>
                  <span className="font-mono">line {line}</span>: {MEMORY_FAULT_WORDS[code]}
                  {text !== '' && ` (${text})`}
                </li>
              ))}
              {faults.length > 50 && <li>and {faults.length - 50} more.</li>}
            </ul>
          </details>
        )}
        {read && (
          <div className="grid gap-3 rounded-md border border-rule p-4" data-testid="memory-facts">
            <p className="text-l">
              <strong>{counted(ready, 'reading is', 'readings are')} matched</strong>
              {unlike > 0 && (
                <span className="text-unsure"> · {counted(unlike, 'matches', 'match')} no fastener</span>
              )}
              {unmet.length > 0 && (
                <span className="text-unsure">
                  {' '}
                  · {counted(unmet.length, 'pull has', 'pulls have')} no reading
                </span>
              )}
            </p>
            {unmet.length > 0 && (
              <p className="text-s">
                Without one:{' '}
                {unmet
                  .slice(0, 12)
                  .map(({ position, pass }) => `${position} (pass ${pass})`)
                  .join(', ')}
                {unmet.length > 12 && ` and ${unmet.length - 12} more`}. They stay open.
              </p>
            )}
            {progress ? (
              <ProgressBar progress={progress} what="Recorded" />
            ) : (
              <button
                type="button"
                className="act justify-self-start"
                disabled={ready === 0 || !job.isReady}
                onClick={() => void memory.record()}
              >
                Record {counted(ready, 'pull', 'pulls')}
              </button>
            )}
            {recorded && (
              <p role="status" data-testid="memory-recorded">
                <strong>{counted(recorded.recorded, 'pull', 'pulls')} recorded.</strong>{' '}
                {recorded.stopped
                  ? `Stopped at line ${recorded.stopped.line}, ${recorded.stopped.position}: do what it says, then record the rest.`
                  : 'Each is judged as at the bench.'}
              </p>
            )}
            {recorded?.stopped && (
              <div role="alert" className="rounded-md border-2 border-unsure p-3">
                <RefusalWords refusal={recorded.stopped.refusal} />
              </div>
            )}
          </div>
        )}
        {read && <MemoryReview memory={memory} />}
      </div>
    </>
  );
};
