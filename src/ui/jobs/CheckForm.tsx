import { useState } from 'react';
import { CHECK_METHODS, CHECK_PURPOSES, type CheckBody } from '#core/job/check.ts';
import type { JobRefusal } from '#core/job/refusal.ts';
import { NUMBER_MAX_LENGTH, readNumber } from '#core/torque/read-number.ts';
import { unitSymbol } from '#core/torque/unit.ts';
import { problemDetails } from '#wire/problems/problem-details.ts';
import type { CribTool } from '#wire/tool.ts';
import { CHECK_BIAS_WORDS, CHECK_METHOD_WORDS, CHECK_PURPOSE_NAMES } from '#wire/words/check.ts';
import { Dialog } from '../shared/Dialog.tsx';
import { ProblemNotice } from '../shared/ProblemNotice.tsx';
import { ReadyForm } from '../shared/ReadyForm.tsx';
import type { OpenJob } from './use-job.ts';

type Props = {
  readonly job: OpenJob;
  readonly tools: readonly CribTool[];
  readonly onClose: () => void;
};

const Choice = <T extends string>(props: {
  readonly name: string;
  readonly value: T;
  readonly options: readonly { readonly value: T; readonly words: string }[];
  readonly onChange: (value: T) => void;
}) => (
  <label>
    {props.name}
    <select
      className="field mt-1"
      value={props.value}
      onChange={(event) => props.onChange(event.target.value as T)}
    >
      {props.options.map(({ value, words }) => (
        <option key={value} value={value}>
          {words}
        </option>
      ))}
    </select>
  </label>
);

/** Records a check of a finished fastener, or a reading after it settled. */
export const CheckForm = ({ job, tools, onClose }: Props) => {
  const pulled = job.state.fasteners.filter(({ pulls }) => pulls.some(({ voided }) => voided === null));
  const usable = tools.filter(({ blocks }) => blocks.length === 0);
  const [position, setPosition] = useState(pulled[0]?.planned.position ?? '');
  const [purpose, setPurpose] = useState<CheckBody['purpose']>('check');
  const [method, setMethod] = useState<CheckBody['method']>(job.state.plan.schools.finishedCheck);
  const [toolId, setToolId] = useState(
    (usable.find((each) => each.tool.id === job.state.tool?.id) ?? usable[0])?.tool.id ?? '',
  );
  const [typed, setTyped] = useState('');
  const [note, setNote] = useState('');
  const [refusal, setRefusal] = useState<JobRefusal | null>(null);
  const tool = usable.find((each) => each.tool.id === toolId)?.tool;
  const unit = tool?.scale.unit ?? 'N.m';
  const record = (): void => {
    const number = readNumber(typed);
    if (!number.ok) setRefusal(number.refusal);
    if (!number.ok || !tool) return;
    const { code, serial, calibrationDueOn } = tool;
    const happened = job.happen({
      kind: 'fastener-checked',
      body: {
        position,
        purpose,
        method,
        toolId,
        reading: { ...number.value, unit },
        note: note.trim(),
        tool: { code, serial, calibrationDueOn },
        lowNewtonMetres: 0,
        highNewtonMetres: 0,
        isInside: false,
      },
    });
    if (happened.ok) onClose();
    else setRefusal(happened.refusal);
  };
  return (
    <Dialog title="Record a check" onClose={onClose}>
      <ReadyForm className="grid gap-3" onSubmit={record}>
        <Choice
          name="Fastener"
          value={position}
          options={pulled.map(({ planned }) => ({
            value: planned.position,
            words: `${planned.position} ${planned.label}`,
          }))}
          onChange={setPosition}
        />
        <Choice
          name="What for"
          value={purpose}
          options={CHECK_PURPOSES.map((value) => ({ value, words: CHECK_PURPOSE_NAMES[value] }))}
          onChange={setPurpose}
        />
        <Choice
          name="How"
          value={method}
          options={CHECK_METHODS.map((value) => ({ value, words: CHECK_METHOD_WORDS[value] }))}
          onChange={setMethod}
        />
        <p className="text-s text-faint">{CHECK_BIAS_WORDS[method]}</p>
        <Choice
          name="With"
          value={toolId}
          options={usable.map(({ tool: { id, code, scale } }) => ({
            value: id,
            words: `${code}, ${unitSymbol(scale.unit)}`,
          }))}
          onChange={setToolId}
        />
        <label>
          Reading in {unitSymbol(unit)}
          <input
            className="field mt-1 font-mono text-xl"
            inputMode="decimal"
            autoComplete="off"
            required
            maxLength={NUMBER_MAX_LENGTH}
            value={typed}
            onChange={(event) => setTyped(event.target.value)}
          />
        </label>
        <label>
          Note
          <input
            className="field mt-1"
            maxLength={300}
            value={note}
            onChange={(event) => setNote(event.target.value)}
          />
        </label>
        <ProblemNotice problem={refusal && problemDetails(refusal)} />
        <button type="submit" className="act min-h-14" disabled={!tool || position === ''}>
          Record it
        </button>
      </ReadyForm>
    </Dialog>
  );
};
