import type { JointKind } from '#core/joint/joint-kind.ts';
import { JOINT_KINDS } from '#core/joint/joint-kinds.ts';

// One site, one set of kinds: the server draws every page with it, and a page that opens jobs brings the site's own along.
let own: readonly JointKind[] = [];

/** Takes over the kinds of joint that the site wrote itself, before anything asks for one. */
export const takeOwnKinds = (kinds: readonly JointKind[]): void => {
  own = kinds;
};

/** Every kind of joint that a job of the site can be planned with, its own first. */
export const siteKinds = (): readonly JointKind[] => [...own, ...JOINT_KINDS];

/** A kind of joint of the site by its code; undefined where there is none. */
export const siteKindOf = (code: string): JointKind | undefined =>
  siteKinds().find((kind) => kind.code === code);
