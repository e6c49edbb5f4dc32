import type { JointKind } from './joint-kind.ts';
import { measured, waited } from './written-step.ts';

/** What the tester shows at least on a source that is known to be live, in volts; below it not every tester shows anything. */
const LIVE_FROM_VOLTS = 50;
/** What still counts as nothing: what a tester's own leads pick up. */
const DEAD_TO_VOLTS = 5;
/** What capacitors may still hold, in volts. */
const STORED_TO_VOLTS = 50;
const SAME_SOURCE_PERCENT = 10;
const ROW = 'proved-dead';

/** A circuit proved dead by measuring: the tester proved, the circuit dead, the tester proved again, in this order, with one tester and on one source; and
 *  what stores energy, waited for and measured. Common practice; limits are ours, and local codes and the maker's instructions override them. */
export const PROVED_DEAD: JointKind['steps'] = [
  measured(
    { unit: 'V', low: LIVE_FROM_VOLTS },
    {
      id: 'tester-proved-before',
      stage: 'make-safe',
      scope: 'job',
      title: 'Tester proved',
      detail: 'On a known live source or a proving unit, just before the test. Type what it shows.',
      row: ROW,
    },
  ),
  measured(
    { unit: 'V', high: DEAD_TO_VOLTS },
    {
      id: 'tested-dead',
      stage: 'make-safe',
      scope: 'job',
      title: 'Tested dead',
      detail:
        'Each conductor to every other and to earth, at the place of work. Type the highest that it shows anywhere.',
      row: ROW,
    },
  ),
  measured(
    { unit: 'V', low: LIVE_FROM_VOLTS },
    {
      id: 'tester-proved-after',
      stage: 'make-safe',
      scope: 'job',
      title: 'Tester proved again',
      detail:
        'On the same source, just after. Where it shows another voltage, the test in between proved nothing.',
      row: ROW,
      agrees: { with: 'tester-proved-before', withinPercent: SAME_SOURCE_PERCENT },
    },
  ),
  waited(5, {
    id: 'discharged',
    stage: 'make-safe',
    scope: 'job',
    title: 'Stored energy drains',
    detail: 'Drives, supplies and filters: as long as the label says. Pass over where nothing stores energy.',
    isBlocking: false,
  }),
  measured(
    { unit: 'V', high: STORED_TO_VOLTS },
    {
      id: 'stored-energy',
      stage: 'make-safe',
      scope: 'job',
      title: 'Stored energy gone',
      detail:
        'The highest left at links and capacitors; where there are none, at the incoming terminals. The meter decides, not the clock.',
    },
  ),
];

const MEASURED: ReadonlySet<string> = new Set(PROVED_DEAD.map(({ id }) => id));

/** Steps that had a circuit's being dead ticked off, with it measured in their place. */
export const withProvedDead = (steps: JointKind['steps']): JointKind['steps'] => {
  const others = steps.filter(({ id }) => !MEASURED.has(id));
  const isSafety = ({ stage }: JointKind['steps'][number]): boolean => stage === 'make-safe';
  return [...others.filter(isSafety), ...PROVED_DEAD, ...others.filter((step) => !isSafety(step))];
};
