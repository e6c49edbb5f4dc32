import { useState } from 'react';
import { CHECK_METHODS, CHECK_PURPOSES, type CheckBody, canCheck } from '#core/job/check.ts';
import type { JobRefusal } from '#core/job/refusal.ts';
import { NUMBER_MAX_LENGTH, readNumber } from '#core/quantity/read-number.ts';
import { unitSymbol } from '#core/quantity/unit.ts';
import type { Tool } from '#core/tool/tool.ts';
import { canShow } from '#core/tool/usable-band.ts';
import { fastenerAt } from '#core/view/bench.ts';
import { targetOf } from '#core/view/fastener-target.ts';
import { problemDetails } from '#wire/problems/problem-details.ts';
import type { CribTool } from '#wire/tool.ts';
import { CHECK_BIAS_WORDS, CHECK_METHOD_WORDS, CHECK_PURPOSE_NAMES } from '#wire/words/check.ts';
import { scaleRangeWords } from '#wire/words/setting.ts';
import { TOOL_KIND_WORDS } from '#wire/words/tool.ts';
import { Dialog } from '../../shared/Dialog.tsx';
import { ProblemNotice } from '../../shared/ProblemNotice.tsx';
import { ReadyForm } from '../../shared/ReadyForm.tsx';
import type { OpenJob } from '../use-job.ts';

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
  const pulled = job.view.fasteners.filter(({ pulls }) => pulls.some(({ voided }) => voided === null));
  const usable = tools.filter(({ blocks }) => blocks.length === 0);
  const [position, setPosition] = useState(pulled[0]?.planned.position ?? '');
  const [purpose, setPurpose] = useState<CheckBody['purpose']>('check');
  const [method, setMethod] = useState<CheckBody['method']>(job.view.plan.schools.finishedCheck);
  const fastener = fastenerAt(job.view, position);
  const target = fastener && targetOf(job.view, fastener);
  const reaches = (tool: Tool): boolean => !target?.ok || canShow(tool, target.value.target);
  const able = usable.map(({ tool }) => tool).filter((tool) => canCheck(method, tool));
  const fit = [...able.filter(reaches), ...able.filter((tool) => !reaches(tool))];
  const [chosenId, setChosenId] = useState([...job.view.takenTools.keys()].at(-1) ?? '');
  const [typed, setTyped] = useState('');
  const [note, setNote] = useState('');
  const [refusal, setRefusal] = useState<JobRefusal | null>(null);
  const tool = fit.find(({ id }) => id === chosenId) ?? fit[0];
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
        toolId: tool.id,
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
        {tool ? (
          <Choice
            name="With"
            value={tool.id}
            options={fit.map((each) => ({
              value: each.id,
              words: `${each.code}, ${TOOL_KIND_WORDS[each.kind]}, ${scaleRangeWords(each.scale)}`,
            }))}
            onChange={setChosenId}
          />
        ) : (
          <p role="alert">
            No tool that is fit for use can do this: it takes one that{' '}
            {method === 'second-click' ? 'clicks' : 'shows what it reads'}. Choose another way, or see to the{' '}
            <a href="/tools">tools</a>.
          </p>
        )}
        {tool && !reaches(tool) && (
          <p role="alert">
            {tool.code} is not made for the torque of {position}: that is off its scale, or outside its usable
            band.
          </p>
        )}
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
