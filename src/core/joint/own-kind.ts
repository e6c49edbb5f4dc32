import { canonicalText } from '../canonical.ts';
import { accepted, type Result, refused } from '../result.ts';
import type { JointKind } from './joint-kind.ts';
import { arePasses, JOINT_KINDS } from './joint-kinds.ts';

/** What the code of every kind of joint that a site wrote itself begins with: none that comes with the application does. */
export const OWN_PREFIX = 'own-';

export type OwnKindRefusal = {
  readonly code: 'joint-kind-impossible';
  readonly what: 'code' | 'passes' | 'moved' | 'details' | 'cautions';
};

const impossible = (what: OwnKindRefusal['what']): Result<never, OwnKindRefusal> =>
  refused({ code: 'joint-kind-impossible', what });

/** Whether lists have columns for what a kind of joint says of its fasteners: those of a kind that comes with the application, or none. */
const areListed = ({ details }: JointKind): boolean =>
  details.length === 0 || JOINT_KINDS.some((kind) => canonicalText(kind.details) === canonicalText(details));

/** A kind of joint that a site wrote, where jobs can be worked by it. Refuses: joint-kind-impossible (its code is one of the application's; its passes do not end at
 *  full torque or go back; rounds are wanted and nothing says what moving is; its details have no columns; nothing is confirmed before the first pull). */
export const checkedOwnKind = (kind: JointKind): Result<JointKind, OwnKindRefusal> => {
  if (!kind.code.startsWith(OWN_PREFIX)) return impossible('code');
  if (!arePasses(kind.passes)) return impossible('passes');
  if (kind.roundsUntilStill && kind.words.moved === '') return impossible('moved');
  if (!areListed(kind)) return impossible('details');
  if (!kind.steps.some(({ stage, act }) => stage === 'make-safe' && act.kind === 'confirm'))
    return impossible('cautions');
  return accepted(kind);
};

/** The code of a kind that a site writes under a name. */
export const ownCodeFor = (name: string): string => {
  const plain = name
    .toLowerCase()
    .normalize('NFKD')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 40 - OWN_PREFIX.length)
    .replace(/-+$/, '');
  return `${OWN_PREFIX}${plain || 'joint'}`;
};
