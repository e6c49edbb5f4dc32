import type { JointKind } from '#core/joint/joint-kind.ts';
import { checkedOwnKind } from '#core/joint/own-kind.ts';
import { accepted, type Result, refused } from '#core/result.ts';
import type { OwnKind } from '#wire/joint-kind.ts';
import type { Problem } from '#wire/problems/problem.ts';
import type { Asker } from '../asker.ts';
import { database } from '../database/pool.ts';
import { inTransaction } from '../database/transaction.ts';
import { selectOwnKinds } from '../queries/own-kinds.ts';
import { lockSite } from '../queries/site.ts';
import { insertLogEntry } from '../queries/site-log.ts';
import { now } from './clock.ts';

/** The kinds of joint that the site wrote itself, the one changed last first. */
export const ownKinds = (): Promise<readonly OwnKind[]> => selectOwnKinds(database());

/** Writes a kind of joint of the site's own, or its next revision; plans made by it stay as they are.
 *  Refuses: joint-kind-impossible, revision-stale (somebody changed it since). */
export const writeJointKind = async (
  written: JointKind,
  basedOn: number,
  by: Asker,
): Promise<Result<OwnKind, Problem>> => {
  const checked = checkedOwnKind({ ...written, revision: basedOn + 1 });
  if (!checked.ok) return checked;
  const kind = checked.value;
  return inTransaction(
    async (db): Promise<Result<OwnKind, Problem>> => {
      await lockSite(db);
      const [before] = await selectOwnKinds(db, kind.code);
      if ((before?.kind.revision ?? 0) !== basedOn)
        return refused({ code: 'revision-stale', by: before?.changedBy ?? '' });
      const at = now();
      const entry = { at, by, kind: 'joint-kind-written', subject: kind.code, why: '' } as const;
      await insertLogEntry(db, { ...entry, body: kind });
      return accepted({ kind, changedAt: at, changedBy: by.name });
    },
    (result) => result.ok,
  );
};
