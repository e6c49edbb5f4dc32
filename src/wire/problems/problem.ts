import type { SessionRefusal } from '#core/calibration/session-evaluation.ts';
import type { DrawingRefusal } from '#core/drawing/drawing-refusal.ts';
import type { CellRefusal } from '#core/job/fastener-cells.ts';
import type { JobRefusal } from '#core/job/refusal.ts';
import type { GeometryRefusal } from '#core/preload/thread-geometry.ts';
import type { FitRefusal } from '#core/simulate/fitted-interaction.ts';
import type { RequirementLineRefusal } from '#core/spec/book/requirement-list.ts';
import type { ConductorRefusal } from '#core/spec/conductor/conductor-size.ts';
import type { LabelRefusal } from '#core/spec/label/read-label.ts';
import type { DecodeRefusal } from '#core/spec/list/decode-text.ts';
import type { TableRefusal } from '#core/spec/list/delimited-table.ts';
import type { KeyRefusal } from '#core/spec/lookup/key-span.ts';
import type { TableShapeRefusal } from '#core/spec/lookup/lookup-table.ts';
import type { ScaleRefusal } from '#core/tool/scale.ts';
import type { ServiceRefusal } from './service-refusal.ts';

/** Everything a technician can run into, as data. */
export type Problem =
  | JobRefusal
  | CellRefusal
  | TableRefusal
  | DecodeRefusal
  | ScaleRefusal
  | KeyRefusal
  | TableShapeRefusal
  | LabelRefusal
  | RequirementLineRefusal
  | SessionRefusal
  | ConductorRefusal
  | GeometryRefusal
  | FitRefusal
  | DrawingRefusal
  | ServiceRefusal;

export type ProblemCode = Problem['code'];

/** What a person reads about a problem. */
export type ProblemWords = {
  readonly title: string;
  readonly cause: string;
  /** What to do next. */
  readonly fix: string;
};

/** Words for a problem, in the order in which they are read. */
export const words = (title: string, cause: string, fix: string): ProblemWords => ({ title, cause, fix });

const STATUS: Partial<Record<ProblemCode, number>> = {
  'not-signed-in': 401,
  'wrong-pin': 403,
  'pin-locked': 429,
  'pin-not-chosen': 403,
  'invitation-unknown': 403,
  'last-lead': 409,
  'wrong-host': 421,
  'token-unknown': 401,
  'token-may-not': 403,
  'attachment-broken': 415,
  'attachment-active': 415,
  'attachments-full': 409,
  'role-may-not': 403,
  'second-person-needed': 403,
  'not-your-event': 403,
  'wrong-origin': 403,
  'not-found': 404,
  'body-too-large': 413,
  'attachment-too-large': 413,
  'attachment-type': 415,
  'revision-stale': 409,
  'not-in-conflict': 409,
  'wrong-content-type': 415,
  'body-invalid': 400,
  'site-has-people': 409,
  'name-taken': 409,
  'tool-code-taken': 409,
  'tool-changed': 409,
  'event-id-used': 409,
  'job-signed': 409,
  'gap-accepted-already': 409,
  'job-already-planned': 409,
  'signed-already': 409,
  'head-moved': 409,
  'no-pull-by-signer': 409,
  'steps-remain': 409,
  'wait-not-over': 409,
  'wait-not-begun': 409,
  'angle-not-due': 409,
  'remedy-first': 409,
  'joint-kind-unknown': 409,
  'ledger-broken': 503,
  'setup-code-wrong': 403,
  'setup-code-spent': 429,
  'check-runs': 409,
  'backup-runs': 409,
  'no-room-for-backups': 507,
  'computing-busy': 503,
  'job-busy': 503,
  'database-away': 503,
  'no-connection': 503,
  'answer-misshaped': 502,
  'no-device': 503,
  fault: 500,
};

/** The HTTP status of a problem; 422 where nothing more fitting is set: understood, and refused. */
export const problemStatus = (code: ProblemCode): number => STATUS[code] ?? 422;

const RETRIED: ReadonlySet<ProblemCode> = new Set([
  'fault',
  'pin-locked',
  'not-signed-in',
  'wrong-origin',
  'no-connection',
  'ledger-broken',
  'computing-busy',
  'job-busy',
  'database-away',
]);

/** Whether sending the same thing again later can succeed. */
export const mayRetry = (code: ProblemCode): boolean => RETRIED.has(code);
