import { useState } from 'react';
import { call } from '#client/api.ts';
import { TORQUE_UNIT_CODES, unitSymbol } from '#core/quantity/unit.ts';
import { permissibleDeviationPercent } from '#core/tool/class-limit.ts';
import { checkedScale, SCALE_FORMS, settingAtGraduation, settingInNewtonMetres } from '#core/tool/scale.ts';
import { TOOL_DRIVES, TOOL_KINDS, type Tool, type ToolKind } from '#core/tool/tool.ts';
import { OPERATIONS } from '#wire/api.ts';
import type { ProblemDetails } from '#wire/problems/problem-details.ts';
import { TOOL_DRIVE_WORDS, TOOL_KIND_WORDS } from '#wire/words/tool.ts';
import { ProblemNotice } from '../shared/ProblemNotice.tsx';
import { ReadyForm } from '../shared/ReadyForm.tsx';
import { ScalePicture } from '../shared/ScalePicture.tsx';
import { useKeptDraft } from '../shared/use-kept-draft.ts';
import { EMPTY_TOOL, hasNeedle, scaleOfDraft, type ToolDraft, toolOfDraft, USUAL } from './tool-draft.ts';

const revive = (kept: unknown): ToolDraft | null =>
  typeof kept === 'object' && kept !== null && 'code' in kept
    ? { ...EMPTY_TOOL, ...(kept as ToolDraft) }
    : null;

type Id = keyof ToolDraft;
const NUMBER = '\\d+([.,]\\d+)?';

/** Describes a tool: its scale is drawn as it is described, so that a wrong mark is seen before it is used. */
export const ToolForm = ({ onAdded }: { readonly onAdded: (tool: Tool) => void }) => {
  const [draft, setDraft, forget] = useKeptDraft<ToolDraft>('jentik-tool-2', EMPTY_TOOL, revive);
  const [problem, setProblem] = useState<ProblemDetails | null>(null);
  const scale = scaleOfDraft(draft);
  const kind = draft.kind as ToolKind;
  const { toolClass } = USUAL[kind];
  const isDrawable = checkedScale(scale).ok;
  const isPreset = draft.form === 'preset';
  const change = (part: Partial<ToolDraft>): void => setDraft({ ...draft, ...part });
  const add = async (): Promise<void> => {
    const answer = await call(OPERATIONS.addTool, toolOfDraft(draft));
    if (!answer.ok) return setProblem(answer.problem);
    setProblem(null);
    forget();
    setDraft(EMPTY_TOOL);
    onAdded(answer.value as Tool);
  };
  const text = (id: Id, name: string, more: Record<string, unknown> = {}) => (
    <label key={id}>
      {name}
      <input
        className="field mt-1"
        name={id}
        value={draft[id]}
        onChange={(event) => change({ [id]: event.target.value })}
        {...more}
      />
    </label>
  );
  const amount = (id: Id, name: string, more: Record<string, unknown> = {}) =>
    text(id, name, { inputMode: 'decimal', pattern: NUMBER, ...more });
  const choice = (
    id: Id,
    name: string,
    options: readonly (readonly [string, string])[],
    onChange = (value: string): void => change({ [id]: value }),
  ) => (
    <label key={id}>
      {name}
      <select
        className="field mt-1"
        name={id}
        value={draft[id]}
        onChange={(event) => onChange(event.target.value)}
      >
        {options.map(([value, words]) => (
          <option key={value} value={value}>
            {words}
          </option>
        ))}
      </select>
    </label>
  );
  const symbol = unitSymbol(scale.unit);
  const middle = isDrawable
    ? settingAtGraduation(scale, Math.round((scale.maximum - scale.minimum) / scale.graduation / 2))
    : 0;
  return (
    <ReadyForm className="grid gap-3 sm:grid-cols-2" onSubmit={() => void add()}>
      {text('code', 'What is written on it', { required: true, maxLength: 20, placeholder: 'TS-08' })}
      {text('serial', 'Serial number', { required: true, maxLength: 40 })}
      {choice(
        'kind',
        'Kind',
        TOOL_KINDS.map((each) => [each, TOOL_KIND_WORDS[each]]),
        (value) =>
          change({ kind: value, form: USUAL[value as ToolKind].form, drive: USUAL[value as ToolKind].drive }),
      )}
      {choice(
        'form',
        'Its scale is',
        SCALE_FORMS.map((form) => [
          form,
          {
            barrel: 'a barrel over a shaft',
            window: 'a window',
            dial: 'a dial',
            beam: 'a beam with a pointer',
            display: 'a display',
            preset: 'a label, one setting',
          }[form],
        ]),
      )}
      {choice(
        'unit',
        'Unit of its scale',
        TORQUE_UNIT_CODES.map((unit) => [unit, unitSymbol(unit)]),
      )}
      {amount('minimum', isPreset ? `Its setting, ${symbol}` : `Lowest on the scale, ${symbol}`, {
        required: true,
      })}
      {!isPreset && amount('maximum', `Highest on the scale, ${symbol}`, { required: true })}
      {!isPreset &&
        amount(
          'perTurn',
          draft.form === 'barrel'
            ? `One full turn of the handle, ${symbol}`
            : `From one number to the next, ${symbol}`,
          { required: true },
        )}
      {!isPreset &&
        amount(
          'graduation',
          draft.form === 'barrel' ? `One mark on the barrel, ${symbol}` : `One graduation, ${symbol}`,
          { required: true },
        )}
      {draft.form === 'barrel' &&
        amount('mainStart', `Main graduations count from, ${symbol}`, { placeholder: 'the lowest' })}
      {draft.form === 'barrel' &&
        choice('raisedBy', 'The handle raises it', [
          ['clockwise', 'clockwise'],
          ['anticlockwise', 'anticlockwise'],
        ])}
      {hasNeedle(draft.form) &&
        choice('sight', 'Its needle is read', [
          ['raised', 'standing above the scale'],
          ['mirror', 'before a mirror'],
          ['plain', 'in plain view, flush with the scale'],
        ])}
      {!isPreset && amount('rest', `Wound down to, ${symbol}`, { placeholder: 'the lowest' })}
      {choice(
        'drive',
        'Drive',
        TOOL_DRIVES.map((drive) => [drive, TOOL_DRIVE_WORDS[drive]]),
      )}
      {choice('directions', 'Works on threads', [
        ['both', 'right and left'],
        ['right', 'right only'],
        ['left', 'left only'],
      ])}
      {amount('lever', 'Drive centre to grip mark, mm', { placeholder: 'none: turned about its axis' })}
      {draft.drive === 'open-jaw' && amount('opening', 'Opening of the jaw, mm', { required: true })}
      {amount('limitPercent', 'Limit its maker states, ± %', { placeholder: 'as its class' })}
      {choice('limitOf', 'Percent of', [
        ['reading', 'the reading'],
        ['full-scale', 'full scale'],
      ])}
      {text('takenIntoUseOn', 'Taken into use on', { type: 'date' })}
      {text('calibratedOn', 'Calibrated on', { type: 'date', required: true })}
      {text('calibrationDueOn', 'Calibration due on', { type: 'date', required: true })}
      {amount('dueAfterPulls', 'or after so many pulls', { required: true })}
      {isDrawable && (
        <div className="sm:col-span-2">
          <p className="text-s text-faint">
            Its scale at {middle} {symbol} would look so. Class {toolClass.replace('-', ' ')}, ±
            {draft.limitPercent ||
              permissibleDeviationPercent(toolClass, settingInNewtonMetres(scale, scale.maximum))}{' '}
            % of {draft.limitOf === 'reading' ? 'reading' : 'full scale'}.
          </p>
          <div className="max-w-md">
            <ScalePicture scale={scale} setting={middle} direction="none" />
          </div>
        </div>
      )}
      <div className="grid gap-3 sm:col-span-2">
        <ProblemNotice problem={problem} />
        <button type="submit" className="act min-h-14">
          Add this tool
        </button>
      </div>
    </ReadyForm>
  );
};
