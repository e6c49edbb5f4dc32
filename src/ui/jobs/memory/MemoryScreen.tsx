import { useState } from 'react';
import type { LedgerEvent } from '#core/event/lifted.ts';
import type { Person } from '#core/people/person.ts';
import { mayKeepReadings } from '#core/tool/tool.ts';
import { counted, memoryRefusalWords } from '#wire/words/memory.ts';
import { FileButton } from '../../shared/FileButton.tsx';
import { JobHeader } from '../JobHeader.tsx';
import { useJob } from '../use-job.ts';
import { MemoryColumns } from './MemoryColumns.tsx';
import { MemoryFacts } from './MemoryFacts.tsx';
import { MemoryFaults } from './MemoryFaults.tsx';
import { MemoryReview } from './MemoryReview.tsx';
import { useMemory } from './use-memory.ts';

type Props = { readonly events: readonly LedgerEvent[]; readonly person: Person };

/** The memory of a tool read into a job: its columns, what is which fastener, what is like none, and all of it recorded. */
export const MemoryScreen = ({ events, person }: Props) => {
  const job = useJob(events[0]?.job ?? '', events, person);
  const { view } = job;
  const tools = [...view.takenTools.values()].map(({ tool }) => tool).filter(mayKeepReadings);
  const [toolId, setToolId] = useState(tools.at(-1)?.id ?? '');
  const tool = tools.find(({ id }) => id === toolId) ?? null;
  const memory = useMemory(job, tool);
  const { read, refusal } = memory;
  return (
    <>
      <JobHeader job={job} tab="bench" />
      <div className="grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)] content-start gap-5 p-4 sm:overflow-y-auto sm:p-6">
        <h2 className="text-xl font-bold">The memory of a tool</h2>
        {tool ? (
          <div className="flex flex-wrap items-center gap-4">
            <label className="flex items-center gap-2 whitespace-nowrap">
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
        <MemoryFaults memory={memory} />
        <MemoryFacts memory={memory} isReady={job.isReady} />
        {read && <MemoryReview memory={memory} />}
      </div>
    </>
  );
};
