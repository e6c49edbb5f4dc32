import { canonicalText } from '../canonical.ts';
import type { JointKind, Pass } from './joint-kind.ts';
import { BUSBAR } from './kinds/busbar.ts';
import { CHUCK_JAWS } from './kinds/chuck-jaws.ts';
import { COAXIAL_CONNECTOR } from './kinds/coaxial-connector.ts';
import { COLLET_NUT } from './kinds/collet-nut.ts';
import { CONTROL_CABINET } from './kinds/control-cabinet.ts';
import { FLARE_FITTING } from './kinds/flare-fitting.ts';
import { GASKETED_PLATE } from './kinds/gasketed-plate.ts';
import { PANEL_SCREWS } from './kinds/panel-screws.ts';
import { RETENTION_KNOB } from './kinds/retention-knob.ts';
import { SEPARABLE_CONNECTOR } from './kinds/separable-connector.ts';
import { SOFT_PART_CLAMP } from './kinds/soft-part-clamp.ts';
import { SOFT_SEAT_RING } from './kinds/soft-seat-ring.ts';
import { TORQUE_TO_ANGLE } from './kinds/torque-to-angle.ts';
import { WHEEL_NUTS } from './kinds/wheel-nuts.ts';

/** Every kind of joint that a job can be planned with on any site. A new one is its own file of data with its words, and a line here. */
export const JOINT_KINDS: readonly JointKind[] = [
  CONTROL_CABINET,
  BUSBAR,
  COLLET_NUT,
  RETENTION_KNOB,
  CHUCK_JAWS,
  FLARE_FITTING,
  PANEL_SCREWS,
  SOFT_PART_CLAMP,
  COAXIAL_CONNECTOR,
  GASKETED_PLATE,
  SOFT_SEAT_RING,
  SEPARABLE_CONNECTOR,
  WHEEL_NUTS,
  TORQUE_TO_ANGLE,
];

/** How a plan chose to work a kind of joint: in which order, and in which passes. */
export type Worked = Pick<JointKind, 'order' | 'passes' | 'roundsUntilStill' | 'passesSource'>;

/** Whether passes end at the whole torque and never go back: a plan may choose no others. */
export const arePasses = (passes: readonly Pass[]): boolean => {
  const shares = passes.map(({ amount }) => (amount.kind === 'share' ? amount.share : null));
  return (
    shares.at(-1) === 1 && shares.every((share, index) => share !== null && share > (shares[index - 1] ?? 0))
  );
};

/** A kind of joint worked in an order and passes chosen for one job; all else of it stays as it is. */
export const workedAs = (
  kind: JointKind,
  { order, passes, roundsUntilStill, passesSource }: Worked,
): JointKind => {
  const { passesSource: _, ...rest } = kind;
  return {
    ...rest,
    order,
    passes,
    roundsUntilStill,
    ...(passesSource === undefined ? {} : { passesSource }),
  };
};

/** Whether a kind of joint is one of those that the site has, word for word, in all but the order and the passes, which a plan chooses. Rounds until nothing moves
 *  only where the kind says what moving is. */
export const isKindOfSite = (kind: JointKind, kinds: readonly JointKind[]): boolean => {
  const shipped = jointKindOf(kind.code, kinds);
  if (shipped === undefined) return false;
  const isAsIs = canonicalText(shipped) === canonicalText(kind);
  const isChosen =
    arePasses(kind.passes) &&
    (!kind.roundsUntilStill || kind.words.moved !== '') &&
    canonicalText(shipped) === canonicalText(workedAs(kind, shipped));
  return isAsIs || isChosen;
};

const howWorked = ({ order, passes, roundsUntilStill }: JointKind): Omit<Worked, 'passesSource'> => ({
  order,
  passes,
  roundsUntilStill,
});

/** A kind of joint of an older plan as the site has it now, worked in the order and passes of that plan where they still can be; as it is where the site
 *  has none of its code. */
export const asKindNow = (kind: JointKind, kinds: readonly JointKind[]): JointKind => {
  const shipped = jointKindOf(kind.code, kinds);
  if (!shipped || isKindOfSite(kind, kinds)) return kind;
  const worked = workedAs(shipped, kind);
  // Where it was worked as the kind is, nothing was chosen.
  const isAsIs =
    canonicalText(workedAs(shipped, { ...shipped, ...howWorked(kind) })) === canonicalText(shipped);
  return !isAsIs && isKindOfSite(worked, kinds) ? worked : shipped;
};

/** A kind of joint by its code; undefined where there is none. */
export const jointKindOf = (code: string, kinds: readonly JointKind[] = JOINT_KINDS): JointKind | undefined =>
  kinds.find((kind) => kind.code === code);
