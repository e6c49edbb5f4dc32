import type { OwnKindRefusal } from '#core/joint/own-kind.ts';
import type { PinWeakness } from '#core/people/weak-pin.ts';
import type { TokenScope } from '../token.ts';

/** What the server can refuse beside what core refuses. */
export type ServiceRefusal =
  | { readonly code: 'not-signed-in' }
  | { readonly code: 'wrong-pin'; readonly triesLeft: number }
  | { readonly code: 'pin-locked'; readonly untilSeconds: number }
  | { readonly code: 'pin-not-chosen' }
  | { readonly code: 'pin-too-short'; readonly digits: number }
  | { readonly code: 'pin-weak'; readonly weakness: PinWeakness }
  | { readonly code: 'pin-same' }
  | { readonly code: 'invitation-unknown' }
  | { readonly code: 'last-lead' }
  | { readonly code: 'wrong-host' }
  | { readonly code: 'token-unknown' }
  | { readonly code: 'token-may-not'; readonly scope: TokenScope }
  | { readonly code: 'attachment-broken'; readonly mediaType: string }
  | { readonly code: 'attachment-active' }
  | { readonly code: 'attachments-full'; readonly of: 'files' | 'bytes' | 'day'; readonly most: number }
  | {
      readonly code: 'not-found';
      readonly what:
        | 'job'
        | 'tool'
        | 'person'
        | 'address'
        | 'source'
        | 'requirement'
        | 'table'
        | 'attachment'
        | 'backup'
        | 'template'
        | 'session'
        | 'calibration'
        | 'token';
    }
  | {
      readonly code: 'body-invalid';
      readonly issues: readonly { readonly path: string; readonly message: string }[];
    }
  | { readonly code: 'body-too-large'; readonly mostBytes: number }
  | { readonly code: 'wrong-origin' }
  | { readonly code: 'wrong-content-type' }
  | { readonly code: 'not-your-event'; readonly name: string }
  | { readonly code: 'kind-not-accepted'; readonly kind: string }
  | { readonly code: 'site-has-people' }
  | { readonly code: 'source-supersedes-itself' }
  | { readonly code: 'revision-stale'; readonly by: string }
  | { readonly code: 'not-in-conflict' }
  | { readonly code: 'no-device' }
  | { readonly code: 'tool-on-loan'; readonly to: string }
  | { readonly code: 'tool-not-on-loan' }
  | { readonly code: 'nothing-usable' }
  | { readonly code: 'not-found-out' }
  | { readonly code: 'nothing-recalled' }
  | { readonly code: 'nothing-in-force'; readonly requirementCode: string }
  | { readonly code: 'attachment-type' }
  | { readonly code: 'attachment-too-large'; readonly mostBytes: number }
  | { readonly code: 'name-taken'; readonly name: string }
  | { readonly code: 'tool-code-taken'; readonly toolCode: string }
  | { readonly code: 'event-id-used' }
  | { readonly code: 'calibration-dates-reversed' }
  | { readonly code: 'rows-unsettled'; readonly lines: readonly number[] }
  | { readonly code: 'no-connection' }
  | { readonly code: 'answer-misshaped' }
  | { readonly code: 'device-storage-failed' }
  | { readonly code: 'device-keeps-nothing' }
  | { readonly code: 'outbox-unreadable' }
  /** Where the chain of a job breaks: the first sequence that is missing or does not fit. */
  | { readonly code: 'ledger-broken'; readonly sequence: number }
  | { readonly code: 'result-out-of-bounds' }
  | { readonly code: 'computing-busy' }
  | { readonly code: 'computing-too-long' }
  | { readonly code: 'setup-code-wrong' }
  | { readonly code: 'setup-code-spent' }
  | { readonly code: 'check-runs' }
  | { readonly code: 'backup-runs' }
  | { readonly code: 'no-room-for-backups' }
  | { readonly code: 'job-busy' }
  | { readonly code: 'database-away' }
  | { readonly code: 'fault'; readonly reference: string }
  | OwnKindRefusal
  | { readonly code: 'passes-impossible'; readonly jointKind: string };
