import { useState } from 'react';
import { displayDigits } from '#core/quantity/display.ts';
import { unitSymbol } from '#core/quantity/unit.ts';
import { scaleMarks, settingText, turnsBetween } from '#core/tool/scale.ts';
import { isIndicating, isPreset } from '#core/tool/tool.ts';
import { dayWords } from '#wire/site-time.ts';
import type { CribTool } from '#wire/tool.ts';
import { turnWords } from '#wire/words/setting.ts';
import { useTypedAhead } from '../kit/form/use-typed-ahead.ts';
import { ScalePicture } from '../shared/ScalePicture.tsx';

/** A tool's scale at any setting, and what it is kept for. */
export const ScalePanel = ({ known: { tool, facts } }: { readonly known: CribTool }) => {
  const { scale } = tool;
  const [typed, setTyped] = useState(String(isPreset(tool) ? scale.minimum : tool.restSetting));
  const ahead = useTypedAhead(typed, (field) => setTyped(field.value));
  const value = Math.min(
    scale.maximum,
    Math.max(scale.minimum, Number(typed.replace(',', '.')) || scale.minimum),
  );
  const marks = isPreset(tool)
    ? value
    : Number(
        (scale.minimum + Math.round((value - scale.minimum) / scale.graduation) * scale.graduation).toFixed(
          6,
        ),
      );
  const turns = turnsBetween(scale, tool.restSetting, marks);
  const reading = scaleMarks(scale, marks);
  return (
    <section className="panel grid gap-2 p-4">
      <h2 className="text-l font-bold">How its scale must look</h2>
      {!isPreset(tool) && (
        <label className="block">
          Set to, {unitSymbol(scale.unit)}
          <input
            className="field mt-1 block max-w-40 font-mono text-l"
            ref={ahead}
            name="setting"
            inputMode="decimal"
            value={typed}
            onChange={(event) => setTyped(event.target.value)}
          />
        </label>
      )}
      <div className="max-w-md">
        <ScalePicture
          scale={scale}
          setting={marks}
          direction={Math.abs(turns) < 1e-9 || isIndicating(tool) ? 'none' : turns > 0 ? 'up' : 'down'}
        />
      </div>
      {scale.form === 'barrel' && (
        <p className="text-s text-faint">
          {settingText(scale, reading.main)} on the shaft, {settingText(scale, reading.sub)} on the barrel;
          from rest at {tool.restSetting}, {turnWords(scale, turns)}.
        </p>
      )}
      <p className="text-s text-faint">
        Class {tool.toolClass.replace('-', ' ')}, ±{tool.limitPercent} % of{' '}
        {tool.limitOf === 'reading' ? 'reading' : 'full scale'}
        {tool.limitOf === 'full-scale' &&
          `: ±${((tool.limitPercent * scale.maximum) / marks).toFixed(0)} % here`}
        . {facts.pulls} pulls since {dayWords(tool.calibratedOn)}; due {dayWords(tool.calibrationDueOn)} or
        after {tool.dueAfterPulls}. Wound down to {tool.restSetting}, never below; keep it dry, in its case.
        {tool.calibration?.usable && (
          <strong className="text-low">
            {' '}
            Kept for{' '}
            {displayDigits(tool.calibration.usable.lowNewtonMetres, {
              sourceDigits: 2,
              graduation: null,
            })}{' '}
            to{' '}
            {displayDigits(tool.calibration.usable.highNewtonMetres, {
              sourceDigits: 2,
              graduation: null,
            })}{' '}
            N·m only.
          </strong>
        )}
      </p>
    </section>
  );
};
