import { type JointKind, jointKindSchema } from '#core/joint/joint-kind.ts';
import { JOINT_KINDS } from '#core/joint/joint-kinds.ts';
import type { OwnKind } from '#wire/joint-kind.ts';
import type { Connection } from '../database/pool.ts';
import { readableRows } from '../database/readable-rows.ts';
import { selectWritten } from './written.ts';

/** The kinds of joint that the site wrote itself, or the one of a code; the one changed last first. */
export const selectOwnKinds = async (
  db: Connection,
  code: string | null = null,
): Promise<readonly OwnKind[]> =>
  readableRows(
    'kind of joint',
    (await selectWritten(db, 'joint-kind-written', code)).map((each) => ({ id: each.subject, ...each })),
    ({ body, changedAt, changedBy }) => ({ kind: jointKindSchema.parse(body), changedAt, changedBy }),
  );

/** Every kind of joint that a job of the site can be planned with: those that come with the application, and its own. */
export const selectSiteKinds = async (db: Connection): Promise<readonly JointKind[]> => [
  ...JOINT_KINDS,
  ...(await selectOwnKinds(db)).map(({ kind }) => kind as JointKind),
];
