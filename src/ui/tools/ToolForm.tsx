import { useState } from 'react';
import { call } from '#client/api.ts';
import { type Scale, settingAtGraduation } from '#core/setting/scale.ts';
import { permissibleDeviationPercent } from '#core/tool/class-limit.ts';
import type { Tool } from '#core/tool/tool.ts';
import { TORQUE_UNIT_CODES, type TorqueUnit, toNewtonMetres, unitSymbol } from '#core/torque/unit.ts';
import { OPERATIONS } from '#wire/api.ts';
import type { ProblemDetails } from '#wire/problems/problem-details.ts';
import { ProblemNotice } from '../shared/ProblemNotice.tsx';
import { ReadyForm } from '../shared/ReadyForm.tsx';
import { ScalePicture } from '../shared/ScalePicture.tsx';
import { useKeptDraft } from '../shared/use-kept-draft.ts';

type Draft = Record<
  | 'code'
  | 'serial'
  | 'kind'
  | 'unit'
  | 'minimum'
  | 'maximum'
  | 'perTurn'
  | 'graduation'
  | 'mainStart'
  | 'raisedBy'
  | 'calibratedOn'
  | 'calibrationDueOn',
  string
>;

const EMPTY: Draft = {
  code: '',
  serial: '',
  kind: 'adjustable-screwdriver',
  unit: 'lbf.in',
  minimum: '',
  maximum: '',
  perTurn: '',
  graduation: '',
  mainStart: '',
  raisedBy: 'clockwise',
  calibratedOn: '',
  calibrationDueOn: '',
};
const KINDS = {
  'adjustable-screwdriver': { name: 'adjustable screwdriver', toolClass: 'II-D' },
  'adjustable-click-wrench': { name: 'adjustable click wrench', toolClass: 'II-A' },
} as const;
const NUMBERS = [
  { id: 'minimum', name: 'Lowest on the scale' },
  { id: 'maximum', name: 'Highest on the scale' },
  { id: 'perTurn', name: 'One full turn of the handle' },
  { id: 'graduation', name: 'One mark on the barrel' },
] as const;

const revive = (kept: unknown): Draft | null =>
  typeof kept === 'object' && kept !== null && 'code' in kept ? { ...EMPTY, ...(kept as Draft) } : null;

const number = (text: string): number => Number(text.replace(',', '.'));

const scaleOf = (draft: Draft): Scale => ({
  unit: draft.unit as TorqueUnit,
  minimum: number(draft.minimum),
  maximum: number(draft.maximum),
  perTurn: number(draft.perTurn),
  graduation: number(draft.graduation),
  mainStart: draft.mainStart === '' ? number(draft.minimum) : number(draft.mainStart),
  raisedBy: draft.raisedBy === 'anticlockwise' ? 'anticlockwise' : 'clockwise',
});

const isDrawable = ({ minimum, maximum, perTurn, graduation }: Scale): boolean =>
  minimum >= 0 && maximum > minimum && graduation > 0 && perTurn >= graduation;

/** Adds a setting tool: its scale is drawn as it is described, so that a wrong mark is seen before it is used. */
export const ToolForm = ({ onAdded }: { readonly onAdded: (tool: Tool) => void }) => {
  const [draft, setDraft, forget] = useKeptDraft<Draft>('jentik-tool-1', EMPTY, revive);
  const [problem, setProblem] = useState<ProblemDetails | null>(null);
  const scale = scaleOf(draft);
  const kind =
    draft.kind === 'adjustable-click-wrench' ? 'adjustable-click-wrench' : 'adjustable-screwdriver';
  const { toolClass } = KINDS[kind];
  const change = (part: Partial<Draft>): void => setDraft({ ...draft, ...part });
  const add = async (): Promise<void> => {
    const { code, serial, calibratedOn, calibrationDueOn } = draft;
    const answer = await call(OPERATIONS.addTool, {
      code,
      serial,
      kind,
      toolClass,
      scale,
      calibratedOn,
      calibrationDueOn,
    });
    if (!answer.ok) return setProblem(answer.problem);
    setProblem(null);
    forget();
    setDraft(EMPTY);
    onAdded(answer.value);
  };
  return (
    <ReadyForm className="grid gap-3 sm:grid-cols-2" onSubmit={() => void add()}>
      <label>
        What is written on it
        <input
          className="field mt-1"
          name="code"
          value={draft.code}
          placeholder="TS-08"
          required
          maxLength={20}
          onChange={(event) => change({ code: event.target.value })}
        />
      </label>
      <label>
        Serial number
        <input
          className="field mt-1"
          name="serial"
          value={draft.serial}
          required
          maxLength={40}
          onChange={(event) => change({ serial: event.target.value })}
        />
      </label>
      <label>
        Kind
        <select
          className="field mt-1"
          value={kind}
          onChange={(event) => change({ kind: event.target.value })}
        >
          {Object.entries(KINDS).map(([id, { name }]) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      </label>
      <label>
        Unit of its scale
        <select
          className="field mt-1"
          value={draft.unit}
          onChange={(event) => change({ unit: event.target.value })}
        >
          {TORQUE_UNIT_CODES.map((unit) => (
            <option key={unit} value={unit}>
              {unitSymbol(unit)}
            </option>
          ))}
        </select>
      </label>
      {NUMBERS.map(({ id, name }) => (
        <label key={id}>
          {name}, {unitSymbol(scale.unit)}
          <input
            className="field mt-1 font-mono"
            name={id}
            inputMode="decimal"
            pattern="\d+([.,]\d+)?"
            required
            value={draft[id]}
            onChange={(event) => change({ [id]: event.target.value })}
          />
        </label>
      ))}
      <label>
        Main graduations count from, {unitSymbol(scale.unit)}
        <input
          className="field mt-1 font-mono"
          name="mainStart"
          inputMode="decimal"
          pattern="\d+([.,]\d+)?"
          placeholder="the lowest"
          value={draft.mainStart}
          onChange={(event) => change({ mainStart: event.target.value })}
        />
      </label>
      <label>
        The handle raises it
        <select
          className="field mt-1"
          value={draft.raisedBy}
          onChange={(event) => change({ raisedBy: event.target.value })}
        >
          <option>clockwise</option>
          <option>anticlockwise</option>
        </select>
      </label>
      <label>
        Calibrated on
        <input
          className="field mt-1"
          name="calibratedOn"
          type="date"
          required
          value={draft.calibratedOn}
          onChange={(event) => change({ calibratedOn: event.target.value })}
        />
      </label>
      <label>
        Calibration due on
        <input
          className="field mt-1"
          name="calibrationDueOn"
          type="date"
          required
          value={draft.calibrationDueOn}
          onChange={(event) => change({ calibrationDueOn: event.target.value })}
        />
      </label>
      {isDrawable(scale) && (
        <div className="sm:col-span-2">
          <p className="text-s text-faint">
            Its scale at{' '}
            {settingAtGraduation(scale, Math.round((scale.maximum - scale.minimum) / scale.graduation / 2))}{' '}
            {unitSymbol(scale.unit)} would look so. Class {toolClass.replace('-', ' ')}, ±
            {permissibleDeviationPercent(toolClass, toNewtonMetres(scale.maximum, scale.unit))} % of reading.
          </p>
          <div className="max-w-md">
            <ScalePicture
              scale={scale}
              setting={settingAtGraduation(
                scale,
                Math.round((scale.maximum - scale.minimum) / scale.graduation / 2),
              )}
              direction="none"
            />
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
