import { type SessionEvaluation, sessionEvaluation } from '#core/calibration/session-evaluation.ts';
import { sessionShortfalls } from '#core/calibration/session-standing.ts';
import { toolConditions } from '#core/calibration/tool-conditions.ts';
import { whoMay } from '#core/people/may.ts';
import { accepted, type Result, refused } from '#core/result.ts';
import type { ErrorPoint } from '#core/tool/known-error.ts';
import type { Tool } from '#core/tool/tool.ts';
import type { KeptSession, NewSession } from '#wire/calibration.ts';
import type { Problem } from '#wire/problems/problem.ts';
import type { Asker } from '../asker.ts';
import { inTransaction } from '../database/transaction.ts';
import { insertSession, selectSessions } from '../queries/calibration-sessions.ts';
import { type KnownTool, lockTool } from '../queries/tools.ts';
import { addToolEvent, standingOf } from './add-tool-event.ts';
import { now } from './clock.ts';

const errorPoints = ({ points }: SessionEvaluation): readonly ErrorPoint[] =>
  points.map(({ torqueNewtonMetres, errorPercent, deviationPercent, expandedPercent, deviations }) => ({
    torqueNewtonMetres,
    errorPercent,
    deviationPercent,
    expandedPercent,
    readings: deviations.length,
  }));

const calibrated = (tool: Tool, session: NewSession, left: SessionEvaluation): Tool => ({
  ...tool,
  calibratedOn: session.doneOn,
  calibrationDueOn: session.nextDueOn,
  calibration: {
    sessionId: session.id,
    points: errorPoints(left),
    usable: session.keepNarrowed ? left.usable : null,
  },
});

type Kept = { readonly session: KeptSession; readonly known: KnownTool };

/** Keeps a calibration session. One that passes as left, or keeps the tool for a narrower band, puts the tool back in use with what it found; one
 *  that fails quarantines it. One that lacks what a calibration needs is kept as a cross-check: it informs, moves no due date and releases
 *  nothing.
 *  Refuses: role-may-not (technicians may check, not calibrate), not-found, calibration-dates-reversed, nothing-usable, and what
 *  sessionEvaluation refuses. */
export const keepSession = (session: NewSession, by: Asker): Promise<Result<Kept, Problem>> =>
  inTransaction(
    async (db): Promise<Result<Kept, Problem>> => {
      const right = whoMay(by, session.kind === 'cross-check' ? 'check-tool' : 'calibrate-tool');
      if (!right.ok) return right;
      const known = await lockTool(db, session.toolId);
      if (!known) return refused({ code: 'not-found', what: 'tool' });
      if (session.nextDueOn < session.doneOn) return refused({ code: 'calibration-dates-reversed' });
      const conditions = toolConditions(known.tool, session.referenceExpandedPercent);
      const found = sessionEvaluation(session.asFound, conditions);
      if (!found.ok) return found;
      const left = session.asLeft ? sessionEvaluation(session.asLeft, conditions) : found;
      if (!left.ok) return left;
      if (session.keepNarrowed && !left.value.usable) return refused({ code: 'nothing-usable' });
      const shortfalls = sessionShortfalls(known.tool, session.asLeft ?? session.asFound, conditions);
      const kind = shortfalls.length > 0 ? 'cross-check' : session.kind;
      const at = now();
      const kept: KeptSession = {
        ...session,
        kind,
        shortfalls: [...shortfalls],
        by: by.name,
        at,
        hasPassedAsFound: found.value.hasPassed,
        hasPassedAsLeft: left.value.hasPassed,
        points: errorPoints(found.value),
      };
      if (!(await insertSession(db, kept))) {
        const before = (await selectSessions(db, session.toolId)).find(({ id }) => id === session.id);
        return before ? accepted({ session: before, known }) : refused({ code: 'event-id-used' });
      }
      const isUsable = left.value.hasPassed || session.keepNarrowed;
      const narrows = session.keepNarrowed ? whoMay(by, 'keep-narrowed') : null;
      if (narrows && !narrows.ok) return narrows;
      const isReleased = isUsable && kind !== 'cross-check' && known.facts.quarantine !== null;
      const releases = isReleased ? whoMay(by, 'release-quarantine') : null;
      if (releases && !releases.ok) return releases;
      const tool =
        isUsable && kind !== 'cross-check' ? calibrated(known.tool, session, left.value) : known.tool;
      const released = kind === 'cross-check' ? known.facts.quarantine : null;
      const quarantine = isUsable
        ? released
        : { why: `failed ${kind} against ${session.reference}`, at, by: by.name };
      const changed = { tool, facts: { ...known.facts, quarantine } };
      await addToolEvent(db, {
        toolId: session.toolId,
        at,
        by,
        kind: 'session',
        body: { sessionId: session.id, hasPassedAsFound: kept.hasPassedAsFound, isUsable },
        after: { tool, ...standingOf(changed.facts) },
      });
      return accepted({ session: kept, known: changed });
    },
    (result) => result.ok,
  );
