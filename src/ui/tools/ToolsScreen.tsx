import { useState } from 'react';
import type { Person } from '#core/job/event.ts';
import { isOverdue, type Tool } from '#core/tool/tool.ts';
import { unitSymbol } from '#core/torque/unit.ts';
import { scaleRangeWords } from '#wire/words/setting.ts';
import { ScalePicture } from '../shared/ScalePicture.tsx';
import { ToolForm } from './ToolForm.tsx';

type Props = { readonly tools: readonly Tool[]; readonly person: Person; readonly today: string };

const KIND_NAMES: Record<Tool['kind'], string> = {
  'adjustable-screwdriver': 'adjustable screwdriver',
  'adjustable-click-wrench': 'adjustable click wrench',
};

const ToolCard = ({ tool, today }: { readonly tool: Tool; readonly today: string }) => {
  const overdue = isOverdue(tool, today);
  return (
    <li className="panel grid gap-2 p-4">
      <div className="flex items-baseline justify-between gap-3">
        <h2 className="text-l font-bold">{tool.code}</h2>
        <span className="text-s text-faint">serial {tool.serial}</span>
      </div>
      <p>
        {KIND_NAMES[tool.kind]}, {scaleRangeWords(tool.scale)}
      </p>
      <ScalePicture scale={tool.scale} setting={tool.scale.minimum} direction="none" />
      <p className="text-s">
        At rest: {tool.scale.minimum} {unitSymbol(tool.scale.unit)}. Class {tool.toolClass.replace('-', ' ')},
        ±{tool.limitPercent} % of reading.{' '}
        <strong className={overdue ? 'text-high' : 'text-in'}>
          {overdue
            ? `Calibration was due ${tool.calibrationDueOn}.`
            : `Calibrated until ${tool.calibrationDueOn}.`}
        </strong>
      </p>
    </li>
  );
};

/** The tool crib: each tool with its scale at rest, and a way to add one. */
export const ToolsScreen = ({ tools: first, person, today }: Props) => {
  const [tools, setTools] = useState(first);
  const [isAdding, setAdding] = useState(first.length === 0);
  const mayAdd = person.role === 'lead';
  return (
    <div className="mx-auto grid max-w-6xl grid-cols-[minmax(0,1fr)] gap-4">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h1 className="text-xl font-bold">Tools</h1>
        {mayAdd && !isAdding && (
          <button type="button" className="act" onClick={() => setAdding(true)}>
            Add a tool
          </button>
        )}
      </div>
      {tools.length === 0 && (
        <p>
          The crib is empty.{' '}
          {mayAdd ? 'Describe the torque tool you have, as its scale reads.' : 'A lead adds the tools.'}
        </p>
      )}
      {isAdding && mayAdd && (
        <section className="panel p-4" aria-label="Add a tool">
          <ToolForm
            onAdded={(tool) => {
              setTools([...tools, tool].sort((a, b) => a.code.localeCompare(b.code)));
              setAdding(false);
            }}
          />
        </section>
      )}
      <ul className="grid gap-4 sm:grid-cols-2 xl:grid-cols-3">
        {tools.map((tool) => (
          <ToolCard key={tool.id} tool={tool} today={today} />
        ))}
      </ul>
    </div>
  );
};
