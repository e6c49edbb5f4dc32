import { useState } from 'react';
import { call } from '#client/api.ts';
import { ADAPTER_KINDS, type Adapter, type AdapterKind } from '#core/tool/adapter.ts';
import { TOOL_DRIVES, type ToolDrive } from '#core/tool/tool.ts';
import { OPERATIONS } from '#wire/api.ts';
import type { ProblemDetails } from '#wire/problems/problem-details.ts';
import { ADAPTER_KIND_WORDS, TOOL_DRIVE_WORDS } from '#wire/words/tool.ts';
import { ProblemNotice } from '../shared/ProblemNotice.tsx';
import { ReadyForm } from '../shared/ReadyForm.tsx';

/** Describes an adapter or bit. */
export const AdapterForm = ({ onAdded }: { readonly onAdded: (adapter: Adapter) => void }) => {
  const [draft, setDraft] = useState({
    code: '',
    kind: 'offset-head' as AdapterKind,
    driveIn: 'square-3/8' as ToolDrive,
    driveOut: '',
    offset: '',
  });
  const [problem, setProblem] = useState<ProblemDetails | null>(null);
  const add = async (): Promise<void> => {
    const { code, kind, driveIn, driveOut, offset } = draft;
    const answer = await call(OPERATIONS.addAdapter, {
      code,
      kind,
      driveIn,
      driveOut,
      offsetMillimetres: Number(offset.replace(',', '.')) || 0,
    });
    if (answer.ok) onAdded(answer.value);
    else setProblem(answer.problem);
  };
  return (
    <ReadyForm className="grid gap-3 sm:grid-cols-2" onSubmit={() => void add()}>
      <label>
        What is written on it
        <input
          className="field mt-1"
          name="code"
          required
          maxLength={20}
          value={draft.code}
          onChange={(event) => setDraft({ ...draft, code: event.target.value })}
        />
      </label>
      <label>
        Kind
        <select
          className="field mt-1"
          name="kind"
          value={draft.kind}
          onChange={(event) => setDraft({ ...draft, kind: event.target.value as AdapterKind })}
        >
          {ADAPTER_KINDS.map((kind) => (
            <option key={kind} value={kind}>
              {ADAPTER_KIND_WORDS[kind]}
            </option>
          ))}
        </select>
      </label>
      <label>
        Goes on
        <select
          className="field mt-1"
          name="driveIn"
          value={draft.driveIn}
          onChange={(event) => setDraft({ ...draft, driveIn: event.target.value as ToolDrive })}
        >
          {TOOL_DRIVES.map((drive) => (
            <option key={drive} value={drive}>
              {TOOL_DRIVE_WORDS[drive]}
            </option>
          ))}
        </select>
      </label>
      <label>
        Engages
        <input
          className="field mt-1"
          name="driveOut"
          required
          maxLength={40}
          placeholder="17 mm hex head"
          value={draft.driveOut}
          onChange={(event) => setDraft({ ...draft, driveOut: event.target.value })}
        />
      </label>
      <label>
        Drive centre to fastener centre, mm
        <input
          className="field mt-1 font-mono"
          name="offset"
          inputMode="decimal"
          pattern="\d+([.,]\d+)?"
          placeholder="0: in line"
          value={draft.offset}
          onChange={(event) => setDraft({ ...draft, offset: event.target.value })}
        />
      </label>
      <div className="grid gap-3 sm:col-span-2">
        <ProblemNotice problem={problem} />
        <button type="submit" className="act min-h-14">
          Add this adapter
        </button>
      </div>
    </ReadyForm>
  );
};
