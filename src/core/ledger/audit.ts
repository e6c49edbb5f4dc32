import { untrueText } from '../command/claims.ts';
import { type Known, knowingNothing } from '../command/known.ts';
import { applied } from '../event/apply.ts';
import { commandOf, decide, knewOf } from '../event/decide.ts';
import type { JobEvent } from '../event/event.ts';
import { isKnownVersion } from '../event/event-forms.ts';
import { EVENT_KINDS } from '../event/kinds.ts';
import { type LedgerEvent, lifted } from '../event/lifted.ts';
import { differingField } from '../job/differing-field.ts';
import { happenedAt } from '../job/happened.ts';
import type { JobRefusal } from '../job/refusal.ts';
import { rulesOf } from '../rules/rules-by-number.ts';
import type { JobView } from '../view/job-view.ts';

/** What does not follow when a job's events are decided again. */
export type AuditFinding = { readonly sequence: number; readonly eventId: string } & (
  | { readonly code: 'version-unknown'; readonly version: number }
  | { readonly code: 'rules-unknown'; readonly number: number }
  | { readonly code: 'event-impossible'; readonly refusal: JobRefusal }
  | { readonly code: 'judgement-differs'; readonly field: string }
  | { readonly code: 'claim-untrue'; readonly field: string }
);

type Finding = AuditFinding extends infer F
  ? F extends AuditFinding
    ? Omit<F, 'sequence' | 'eventId'>
    : never
  : never;

/** What the one who decided an event knew: from the event itself, and the chain before it. */
const knownThen = (event: JobEvent): Known => ({
  ...knowingNothing(event.person),
  hasHappened: true,
  at: happenedAt(event),
  head: event.sequence > 1 ? { sequence: event.sequence - 1, hash: event.previousHash } : null,
  ...knewOf(event),
});

const rulesNamed = (job: JobView | null, event: JobEvent): number =>
  event.kind === 'pull-made' || event.kind === 'job-planned' ? event.body.rules : (job?.rules ?? 0);

const findingOf = (job: JobView | null, event: JobEvent): Finding | null => {
  if (event.kind !== 'job-planned' && !(event.kind in EVENT_KINDS))
    return { code: 'version-unknown', version: event.schemaVersion };
  const untrue = untrueText(event.body);
  if (untrue) return { code: 'claim-untrue', field: untrue };
  const number = rulesNamed(job, event);
  const rules = rulesOf(number);
  if (!rules) return { code: 'rules-unknown', number };
  if (job && event.kind === 'pull-made' && number !== job.rules)
    return { code: 'judgement-differs', field: 'rules' };
  const decided = decide(job, commandOf(event), knownThen(event), rules);
  if (!decided.ok) return { code: 'event-impossible', refusal: decided.refusal };
  const field = differingField(decided.value.body, event.body);
  return field ? { code: 'judgement-differs', field } : null;
};

/** Decides every event of a job again from the events alone, each judgement under the rules it names, and says what does not follow. It
 *  goes on after a finding, so that all are named. Screens never call it: an event is a fact. */
export const audit = (events: readonly LedgerEvent[]): readonly AuditFinding[] => {
  let job: JobView | null = null;
  const findings: AuditFinding[] = [];
  for (const kept of events) {
    const at = { sequence: kept.sequence, eventId: kept.id };
    if (!isKnownVersion(kept)) {
      findings.push({ ...at, code: 'version-unknown', version: kept.schemaVersion });
      continue;
    }
    const event = lifted(kept);
    const finding = findingOf(job, event);
    if (finding) findings.push({ ...at, ...finding } as AuditFinding);
    job = applied(job, event);
  }
  return findings;
};
