import { useMemo, useState } from 'react';
import { type Answer, call } from '#client/api.ts';
import { may } from '#core/people/may.ts';
import type { Person } from '#core/people/person.ts';
import type { Adapter } from '#core/tool/adapter.ts';
import { settingInNewtonMetres } from '#core/tool/scale.ts';
import { OPERATIONS } from '#wire/api.ts';
import type { CribTool } from '#wire/tool.ts';
import { scaleRangeWords } from '#wire/words/setting.ts';
import { ADAPTER_KIND_WORDS, TOOL_DRIVE_WORDS, TOOL_KIND_WORDS } from '#wire/words/tool.ts';
import { useAnswer } from '../kit/answer/use-answer.ts';
import type { Column } from '../kit/table/column.ts';
import { ListTable } from '../kit/table/ListTable.tsx';
import { AdapterForm } from './AdapterForm.tsx';
import { RangeBar } from './RangeBar.tsx';
import { ToolForm } from './ToolForm.tsx';
import { standingWords } from './tool-words.ts';

type Props = {
  readonly tools: readonly CribTool[];
  readonly adapters: readonly Adapter[];
  readonly person: Person;
  /** How many jobs await a decision, by the id of the tool that was found out. */
  readonly undecided: Readonly<Record<string, number>>;
};

const columnsWith = (undecided: Readonly<Record<string, number>>): readonly Column<CribTool>[] => [
  {
    id: 'code',
    name: 'Tool',
    cell: ({ tool }) => (
      <a href={`/tools/${tool.id}`} className="inline-flex min-h-11 items-center font-bold whitespace-nowrap">
        {tool.code}
      </a>
    ),
    value: ({ tool }) => tool.code,
    isTitle: true,
  },
  {
    id: 'kind',
    name: 'Kind and scale',
    cell: ({ tool }) => (
      <>
        {TOOL_KIND_WORDS[tool.kind]}
        <span className="block text-s text-faint">
          {scaleRangeWords(tool.scale)}; {TOOL_DRIVE_WORDS[tool.drive]}
        </span>
      </>
    ),
    value: ({ tool }) => TOOL_KIND_WORDS[tool.kind],
    isChoice: true,
  },
  {
    id: 'range',
    name: 'Range, 0.1 to 100 N·m',
    cell: ({ tool }) => <RangeBar tool={tool} />,
    value: ({ tool }) => settingInNewtonMetres(tool.scale, tool.scale.maximum),
    className: 'min-w-40',
  },
  {
    id: 'pulls',
    name: 'Pulls',
    cell: ({ facts, tool }) => (
      <span className="font-mono">
        {facts.pulls} <span className="text-faint">of {tool.dueAfterPulls}</span>
      </span>
    ),
    value: ({ facts }) => facts.pulls,
  },
  {
    id: 'standing',
    name: 'Today',
    cell: (known) => (
      <strong className={known.blocks.length > 0 ? 'text-high' : 'font-normal text-in'}>
        {standingWords(known)}
        {(undecided[known.tool.id] ?? 0) > 0 && (
          <a
            href={`/tools/${known.tool.id}/recall`}
            className="flex min-h-11 items-center font-bold text-high"
          >
            found outside: {undecided[known.tool.id]}{' '}
            {undecided[known.tool.id] === 1 ? 'job awaits' : 'jobs await'} a decision
          </a>
        )}
      </strong>
    ),
    value: (known) => `${known.blocks.length === 0 ? 1 : 0}${known.tool.calibrationDueOn}`,
  },
];

/** The tool crib: every tool with its range on one ruler, its uses, and how it stands today. */
export const ToolsScreen = ({ tools: first, adapters: firstAdapters, person, undecided }: Props) => {
  const columns = useMemo(() => columnsWith(undecided), [undecided]);
  const { value: tools, again } = useAnswer<readonly CribTool[]>(
    ['tools'],
    () => call(OPERATIONS.listTools, undefined) as Promise<Answer<readonly CribTool[]>>,
    first,
  );
  const [adapters, setAdapters] = useState(firstAdapters);
  const [adding, setAdding] = useState<'tool' | 'adapter' | null>(first.length === 0 ? 'tool' : null);
  const mayAdd = may(person, 'add-tool');
  return (
    <div className="mx-auto grid max-w-6xl grid-cols-[minmax(0,1fr)] gap-4">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h1 className="text-xl font-bold">Tools</h1>
        <div className="flex flex-wrap gap-2">
          <a className="act-quiet" href="/tools/scan">
            Scan a label
          </a>
          <a className="act-quiet" href="/api/v1/labels.pdf" download>
            Labels (PDF)
          </a>
          {mayAdd && (
            <>
              <button
                type="button"
                className="act-quiet"
                onClick={() => setAdding(adding === 'adapter' ? null : 'adapter')}
              >
                Add an adapter
              </button>
              <button
                type="button"
                className="act"
                onClick={() => setAdding(adding === 'tool' ? null : 'tool')}
              >
                Add a tool
              </button>
            </>
          )}
        </div>
      </div>
      {tools.length === 0 && (
        <p>
          The crib is empty.{' '}
          {mayAdd ? 'Describe the torque tool you have, as its scale reads.' : 'A lead adds the tools.'}
        </p>
      )}
      {adding === 'tool' && mayAdd && (
        <section className="panel p-4" aria-label="Add a tool">
          <ToolForm
            onAdded={() => {
              setAdding(null);
              void again();
            }}
          />
        </section>
      )}
      {adding === 'adapter' && mayAdd && (
        <section className="panel p-4" aria-label="Add an adapter">
          <AdapterForm
            onAdded={(adapter) => {
              setAdapters([...adapters, adapter]);
              setAdding(null);
            }}
          />
        </section>
      )}
      {tools.length > 0 && (
        <section className="panel min-w-0 p-4">
          <ListTable
            caption="Tools"
            columns={columns}
            rows={[...tools].sort((a, b) => Number(b.blocks.length > 0) - Number(a.blocks.length > 0))}
            rowId={({ tool }) => tool.id}
            searchIn={(known) =>
              `${known.tool.code} ${known.tool.serial} ${TOOL_KIND_WORDS[known.tool.kind]} ${standingWords(known)}`
            }
          />
        </section>
      )}
      <div className="grid items-start gap-4 lg:grid-cols-2">
        <section className="panel p-4">
          <h2 className="mb-2 text-l font-bold">Adapters</h2>
          <ul>
            {adapters.map(({ id, code, kind, offsetMillimetres, driveIn, driveOut }) => (
              <li key={id} className="border-b border-rule py-1.5 last:border-b-0">
                <strong>{code}</strong> {ADAPTER_KIND_WORDS[kind]}
                {offsetMillimetres > 0 && `, ${offsetMillimetres} mm off`}: {TOOL_DRIVE_WORDS[driveIn]} to{' '}
                {(TOOL_DRIVE_WORDS as Readonly<Record<string, string>>)[driveOut] ?? driveOut}
              </li>
            ))}
          </ul>
          {adapters.length === 0 && <p className="text-faint">None yet.</p>}
        </section>
        <section className="panel p-4">
          <h2 className="mb-2 text-l font-bold">Due dates in your calendar</h2>
          <p>
            Your calendar can carry every due date of tools and loans: make an address of your own under{' '}
            <a href="/me">your name</a>.
          </p>
        </section>
      </div>
    </div>
  );
};
