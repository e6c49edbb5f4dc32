import { type LedgerEvent, lifted } from '#core/event/lifted.ts';
import type { PullBody } from '#core/job/pull.ts';
import type { Person } from '#core/people/person.ts';
import type { Outcome } from '#core/verdict/tightening-verdict.ts';

/** A pull that the site judges otherwise than its person was shown. */
export type Told = {
  readonly eventId: string;
  readonly position: string;
  readonly shown: Outcome;
  readonly stands: Outcome;
  readonly objections: PullBody['objections'];
};

/** Pulls of a person that the site judges otherwise than they were shown, or that something stands against. */
export const toldPulls = (events: readonly LedgerEvent[], person: Person): readonly Told[] =>
  events.map(lifted).flatMap((event): readonly Told[] => {
    if (event.kind !== 'pull-made' || event.person.id !== person.id) return [];
    const { position, outcome, shown, objections } = event.body;
    const isOther = shown !== null && shown.outcome !== outcome;
    return isOther || objections
      ? [{ eventId: event.id, position, shown: shown?.outcome ?? outcome, stands: outcome, objections }]
      : [];
  });
