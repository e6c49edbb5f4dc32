import { useState } from 'react';
import { drift } from '#core/calibration/drift.ts';
import { may } from '#core/people/may.ts';
import type { Person } from '#core/people/person.ts';
import { displayDigits } from '#core/quantity/display.ts';
import { unitSymbol } from '#core/quantity/unit.ts';
import { scaleMarks, settingText, turnsBetween } from '#core/tool/scale.ts';
import { isIndicating, isPreset } from '#core/tool/tool.ts';
import type { Attachment } from '#wire/book.ts';
import type { KeptSession } from '#wire/calibration.ts';
import type { CribTool } from '#wire/tool.ts';
import { scaleRangeWords, turnWords } from '#wire/words/setting.ts';
import { TOOL_DRIVE_WORDS, TOOL_EVENT_WORDS, TOOL_KIND_WORDS } from '#wire/words/tool.ts';
import { Attachments } from '../shared/Attachments.tsx';
import { ScalePicture } from '../shared/ScalePicture.tsx';
import { ErrorChart } from './ErrorChart.tsx';
import { ToolReports } from './ToolReports.tsx';
import { driftWords, errorAtTop, standingWords } from './tool-words.ts';

type ToolEventLine = {
  readonly at: string;
  readonly by: string;
  readonly kind: string;
  readonly body: { readonly why?: unknown; readonly condition?: unknown };
};

type Props = {
  readonly known: CribTool;
  readonly sessions: readonly KeptSession[];
  readonly events: readonly ToolEventLine[];
  readonly attachments: readonly Attachment[];
  readonly person: Person;
  readonly today: string;
};

/** A tool: its scale at any setting, how it stands, what its sessions found, and what happened to it. */
export const ToolScreen = ({ known, sessions, events, attachments, person, today }: Props) => {
  const { tool, facts, blocks } = known;
  const { scale } = tool;
  const [typed, setTyped] = useState(String(isPreset(tool) ? scale.minimum : tool.restSetting));
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
  const isFoundOut = sessions.some(({ hasPassedAsFound }) => !hasPassedAsFound);
  const atMaximum = sessions.filter(({ kind }) => kind !== 'cross-check').flatMap(errorAtTop);
  return (
    <div className="mx-auto grid max-w-6xl grid-cols-[minmax(0,1fr)] gap-4">
      <div className="flex flex-wrap items-start justify-between gap-3">
        <div>
          <p className="text-s text-faint">
            <a href="/tools">Tools</a>
          </p>
          <h1 className="text-xl font-bold">{tool.code}</h1>
          <p>
            {TOOL_KIND_WORDS[tool.kind]}, {scaleRangeWords(scale)} · serial {tool.serial} ·{' '}
            {TOOL_DRIVE_WORDS[tool.drive]}
            {tool.leverMillimetres && ` · lever ${tool.leverMillimetres} mm`}
          </p>
          <p>
            <strong className={blocks.length > 0 ? 'text-high' : 'text-in'}>{standingWords(known)}</strong>
            {facts.quarantine && (
              <span>
                {' '}
                · {facts.quarantine.why} ({facts.quarantine.by}, {facts.quarantine.at.slice(0, 10)})
              </span>
            )}
          </p>
        </div>
        <div className="flex flex-wrap gap-2">
          <a
            className="act-quiet"
            href={`/api/v1/tools/${tool.id}/label.svg`}
            target="_blank"
            rel="noreferrer"
          >
            Label
          </a>
          {isFoundOut && (
            <a className="act-quiet" href={`/tools/${tool.id}/recall`}>
              What did it touch?
            </a>
          )}
          <a className="act" href={`/tools/${tool.id}/calibrate`}>
            {!may(person, 'calibrate-tool') ? 'Check it' : 'Calibrate'}
          </a>
        </div>
      </div>
      <div className="grid items-start gap-4 lg:grid-cols-2">
        <section className="panel grid gap-2 p-4">
          <h2 className="text-l font-bold">How its scale must look</h2>
          {!isPreset(tool) && (
            <label className="block">
              Set to, {unitSymbol(scale.unit)}
              <input
                className="field mt-1 block max-w-40 font-mono text-l"
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
              {settingText(scale, reading.main)} on the shaft, {settingText(scale, reading.sub)} on the
              barrel; from rest at {tool.restSetting}, {turnWords(scale, turns)}.
            </p>
          )}
          <p className="text-s text-faint">
            Class {tool.toolClass.replace('-', ' ')}, ±{tool.limitPercent} % of{' '}
            {tool.limitOf === 'reading' ? 'reading' : 'full scale'}
            {tool.limitOf === 'full-scale' &&
              `: ±${((tool.limitPercent * scale.maximum) / marks).toFixed(0)} % here`}
            . {facts.pulls} pulls since {tool.calibratedOn}; due {tool.calibrationDueOn} or after{' '}
            {tool.dueAfterPulls}. Wound down to {tool.restSetting}, never below; keep it dry, in its case.
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
        <section className="panel grid gap-2 p-4">
          <h2 className="text-l font-bold">What its sessions found</h2>
          <ErrorChart tool={tool} sessions={sessions} />
          <p>{driftWords(drift(atMaximum, tool.limitPercent))}</p>
          <ul className="text-s">
            {sessions.map(
              ({
                id,
                doneOn,
                reference,
                by,
                kind,
                hasPassedAsFound,
                hasPassedAsLeft,
                keepNarrowed,
                certificate,
              }) => (
                <li key={id} className="border-b border-rule py-1 last:border-b-0">
                  <strong>{doneOn}</strong> {kind.replace('-', ' ')}, against {reference}
                  {certificate && `, certificate ${certificate}`}, {by}: as found{' '}
                  <strong className={hasPassedAsFound ? 'text-in' : 'text-high'}>
                    {hasPassedAsFound ? 'inside' : 'outside'}
                  </strong>
                  {!hasPassedAsFound &&
                    `, as left ${hasPassedAsLeft ? 'inside' : keepNarrowed ? 'kept for a part' : 'outside'}`}
                </li>
              ),
            )}
          </ul>
        </section>
        <section className="panel grid gap-3 p-4">
          <h2 className="text-l font-bold">Something happened to it</h2>
          <ToolReports
            known={known}
            person={person}
            today={today}
            onChanged={() => window.location.reload()}
          />
          <ul className="text-s" data-testid="tool-events">
            {events.slice(0, 12).map(({ at, by, kind, body }) => (
              <li key={at + kind}>
                {at.slice(0, 10)} {by}: {TOOL_EVENT_WORDS[kind] ?? kind}
                {typeof body.why === 'string' && body.why !== '' && `, ${body.why}`}
                {typeof body.condition === 'string' && `, ${body.condition}`}
              </li>
            ))}
          </ul>
        </section>
        <section className="panel grid gap-3 p-4">
          <h2 className="text-l font-bold">Photographs and certificates</h2>
          <Attachments kind="tool" owner={tool.id} first={attachments} />
        </section>
      </div>
    </div>
  );
};
