import { useEffect, useRef, useState } from 'react';
import { call } from '#client/api.ts';
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
import { useKeptDraft } from '../shared/use-kept-draft.ts';

export type SessionStage = 'asFound' | 'asLeft';

/** A session on its way: readings as typed, in the tool's unit, by stage, point and number. */
export type SessionDraft = {
  readonly readings: Readonly<Record<SessionStage, readonly (readonly string[])[]>>;
  readonly preloadsDone: boolean;
  readonly reference: string;
  readonly referencePercent: string;
  readonly certificate: string;
  readonly kind: 'in-house' | 'outside-lab' | 'cross-check';
  readonly doneOn: string;
  readonly nextDueOn: string;
  readonly keepNarrowed: boolean;
  readonly note: string;
};

export type Session = {
  readonly id: string;
  readonly plan: SessionPlan;
  readonly draft: SessionDraft;
  readonly change: (part: Partial<SessionDraft>) => void;
  readonly type: (stage: SessionStage, point: number, index: number, text: string) => void;
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

const revive =
  (empty: SessionDraft) =>
  (kept: unknown): SessionDraft | null =>
    typeof kept === 'object' && kept !== null && 'readings' in kept
      ? { ...empty, ...(kept as SessionDraft) }
      : null;

const parsed = (text: string): number | null => {
  const number = readNumber(text);
  return number.ok && number.value.value > 0 ? number.value.value : null;
};

/** A calibration session of a tool: planned by its class, filled by hand, by paste or by the tester, evaluated as it grows. */
export const useSession = (tool: Tool, today: string, nextDue: string): Session => {
  const plan = sessionPlan(tool.toolClass, tool.scale);
  const blank = plan.points.map(() => Array.from({ length: plan.readingsEach }, () => ''));
  const empty: SessionDraft = {
    readings: { asFound: blank, asLeft: blank },
    preloadsDone: false,
    reference: '',
    referencePercent: '0.5',
    certificate: '',
    kind: 'in-house',
    doneOn: today,
    nextDueOn: nextDue,
    keepNarrowed: false,
    note: '',
  };
  const id = useRef(newId());
  const [draft, setDraft, forget] = useKeptDraft<SessionDraft>(
    `jentik-session-${tool.id}`,
    empty,
    revive(empty),
  );
  const { unit } = tool.scale;
  const change = (part: Partial<SessionDraft>): void => setDraft({ ...draft, ...part });
  const withReadings = (stage: SessionStage, readings: readonly (readonly string[])[]): void =>
    change({ readings: { ...draft.readings, [stage]: readings } });
  const points = (stage: SessionStage): readonly SessionPoint[] =>
    plan.points.flatMap((shown, point) => {
      const references = (draft.readings[stage][point] ?? []).flatMap((text) => {
        const value = parsed(text);
        return value === null ? [] : [toNewtonMetres(value, unit) as number];
      });
      return references.length > 0 ? [{ shown: toNewtonMetres(shown, unit) as number, references }] : [];
    });
  const conditions = toolConditions(tool, Number(draft.referencePercent.replace(',', '.')) || 0);
  const next = (stage: SessionStage): { readonly point: number; readonly index: number } | null => {
    for (const [point, readings] of draft.readings[stage].entries()) {
      const index = readings.indexOf('');
      if (index >= 0) return { point, index };
    }
    return null;
  };
  return {
    id: id.current,
    plan,
    draft,
    change,
    points,
    next,
    forget,
    type: (stage, point, index, text) =>
      withReadings(
        stage,
        draft.readings[stage].map((row, at) =>
          at === point ? row.map((cell, place) => (place === index ? text : cell)) : row,
        ),
      ),
    paste: (stage, text) => {
      const values = text.split(/[\s;]+/).filter((each) => parsed(each) !== null);
      let taken = 0;
      withReadings(
        stage,
        draft.readings[stage].map((row) =>
          row.map((cell) => (cell === '' && taken < values.length ? (values[taken++] as string) : cell)),
        ),
      );
    },
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
    const source = new EventSource(OPERATIONS.testerReadings.path);
    source.onopen = () => setConnected(true);
    source.onerror = () => setConnected(false);
    source.onmessage = (event) =>
      latest.current((JSON.parse(event.data) as { peakNewtonMetres: number }).peakNewtonMetres);
    return () => {
      source.close();
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
  call(OPERATIONS.testerPull, { torqueNewtonMetres });
