import { useEffect, useRef, useState } from 'react';
import { call } from '#client/api.ts';
import { deviceStream } from '#client/device/device-stream.ts';
import { newId } from '#client/happen.ts';
import {
  type SessionEvaluation,
  type SessionPoint,
  sessionEvaluation,
} from '#core/calibration/session-evaluation.ts';
import { type SessionPlan, sessionPlan } from '#core/calibration/session-plan.ts';
import { type SessionShortfall, sessionShortfalls } from '#core/calibration/session-standing.ts';
import { toolConditions } from '#core/calibration/tool-conditions.ts';
import { readNumber } from '#core/quantity/read-number.ts';
import { fromNewtonMetres, newtonMetres, toNewtonMetres } from '#core/quantity/unit.ts';
import type { Tool } from '#core/tool/tool.ts';
import { OPERATIONS } from '#wire/api.ts';
import { useKeptDraft } from '../kit/form/use-kept-draft.ts';

export type SessionStage = 'asFound' | 'asLeft';

/** Readings as typed, in the tool's unit, by stage, point and number. */
export type SessionDraft = Readonly<Record<SessionStage, readonly (readonly string[])[]>>;

export type Session = {
  readonly id: string;
  readonly plan: SessionPlan;
  readonly readings: SessionDraft;
  readonly type: (stage: SessionStage, point: number, index: number, text: string) => void;
  /** Puts a reading of the tester into the next empty place. Two in one moment take two places. */
  readonly fill: (stage: SessionStage, text: string) => void;
  /** Fills readings of a stage from pasted text, in order. */
  readonly paste: (stage: SessionStage, text: string) => void;
  readonly points: (stage: SessionStage) => readonly SessionPoint[];
  readonly evaluation: (stage: SessionStage) => SessionEvaluation | null;
  /** What a stage lacks to count as a calibration. */
  readonly shortfalls: (stage: SessionStage) => readonly SessionShortfall[];
  /** The next empty place, for readings that come from the tester. */
  readonly next: (stage: SessionStage) => { readonly point: number; readonly index: number } | null;
  readonly forget: () => void;
};

const revive = (kept: unknown): SessionDraft | null =>
  typeof kept === 'object' && kept !== null && 'asFound' in kept ? (kept as SessionDraft) : null;

const parsed = (text: string): number | null => {
  const number = readNumber(text);
  return number.ok && number.value.value > 0 ? number.value.value : null;
};

/** The readings with some texts put into the empty places of a stage, in order. */
const filled = (readings: SessionDraft, stage: SessionStage, texts: readonly string[]): SessionDraft => {
  let taken = 0;
  return {
    ...readings,
    [stage]: readings[stage].map((row) => row.map((cell) => (cell === '' ? (texts[taken++] ?? '') : cell))),
  };
};

/** The readings of a calibration session of a tool: planned by its class, filled by hand, by paste or by the tester, evaluated as they grow. */
export const useSession = (tool: Tool, referencePercent: string): Session => {
  const plan = sessionPlan(tool.toolClass, tool.scale);
  const blank = plan.points.map(() => Array.from({ length: plan.readingsEach }, () => ''));
  const id = useRef(newId());
  const [readings, change, forget] = useKeptDraft<SessionDraft>(
    `jentik-readings-${tool.id}`,
    { asFound: blank, asLeft: blank },
    revive,
  );
  const { unit } = tool.scale;
  const points = (stage: SessionStage): readonly SessionPoint[] =>
    plan.points.flatMap((shown, point) => {
      const references = (readings[stage][point] ?? []).flatMap((text) => {
        const value = parsed(text);
        return value === null ? [] : [toNewtonMetres(value, unit) as number];
      });
      return references.length > 0 ? [{ shown: toNewtonMetres(shown, unit) as number, references }] : [];
    });
  const conditions = toolConditions(tool, Number(referencePercent.replace(',', '.')) || 0);
  return {
    id: id.current,
    plan,
    readings,
    points,
    forget,
    next: (stage) => {
      for (const [point, row] of readings[stage].entries()) {
        const index = row.indexOf('');
        if (index >= 0) return { point, index };
      }
      return null;
    },
    type: (stage, point, index, text) =>
      change((before) => ({
        ...before,
        [stage]: before[stage].map((row, at) =>
          at === point ? row.map((cell, place) => (place === index ? text : cell)) : row,
        ),
      })),
    fill: (stage, text) => change((before) => filled(before, stage, [text])),
    paste: (stage, text) =>
      change((before) =>
        filled(
          before,
          stage,
          text.split(/[\s;]+/).filter((each) => parsed(each) !== null),
        ),
      ),
    shortfalls: (stage) => sessionShortfalls(tool, points(stage), conditions),
    evaluation: (stage) => {
      const result = sessionEvaluation(points(stage), conditions);
      return result.ok ? result.value : null;
    },
  };
};

/** Listens to the bench tester while `isOn`; each peak comes in newton metres. */
export const useTester = (isOn: boolean, onPeak: (newtonMetresPeak: number) => void): boolean => {
  const [isConnected, setConnected] = useState(false);
  const latest = useRef(onPeak);
  latest.current = onPeak;
  useEffect(() => {
    if (!isOn) return;
    const stream = deviceStream();
    const stopNews = stream.onNews((news) => {
      if (news.kind !== 'pull') return;
      const { device, peak } = news.reading;
      const isTester = stream
        .snapshot()
        .devices.some((each) => each.device === device && each.is === 'tester');
      if (isTester) latest.current(toNewtonMetres(peak.value, peak.unit));
    });
    const stopState = stream.subscribe(() => setConnected(stream.snapshot().link === 'connected'));
    const stop = stream.start();
    return () => {
      stop();
      stopNews();
      stopState();
      setConnected(false);
    };
  }, [isOn]);
  return isConnected;
};

/** A peak as it is written down in a tool's unit: to a hundredth of its graduation. */
export const peakText = (peak: number, tool: Tool): string =>
  fromNewtonMetres(newtonMetres(peak), tool.scale.unit).toPrecision(4);

/** Lets the simulated tester feel a pull. */
export const pullOnTester = (torqueNewtonMetres: number): Promise<unknown> =>
  call(OPERATIONS.moveDevice, { do: 'pull', device: SIMULATED_TESTER, torque: torqueNewtonMetres });

const SIMULATED_TESTER = 'BT-1';
