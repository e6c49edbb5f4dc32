import type { ResultSetHeader, RowDataPacket } from 'mysql2';
import { type ChainHead, EMPTY_HEAD } from '#core/ledger/hash-chain.ts';
import type { SiteLink } from '#core/ledger/site-chain.ts';
import { instantFromSql, instantToSql } from '../database/instant.ts';
import type { Connection } from '../database/pool.ts';

/** Where the site's own chain stands. */
export const selectChainHead = async (db: Connection): Promise<ChainHead> => {
  const [rows] = await db.execute<RowDataPacket[]>(`
    SELECT sequence,
           hash
      FROM site_chain
     ORDER BY sequence DESC
     LIMIT 1`);
  return rows[0] ? { sequence: rows[0]['sequence'], hash: rows[0]['hash'] } : EMPTY_HEAD;
};

/** Adds links to the chain. */
export const insertLinks = async (db: Connection, links: readonly SiteLink[]): Promise<void> => {
  if (links.length === 0) return;
  const rows = links.map((link) => [
    link.sequence,
    link.kind,
    link.ref,
    link.said,
    link.contentHash,
    instantToSql(link.at),
    link.previousHash,
    link.hash,
  ]);
  await db.query(
    `
    INSERT INTO site_chain (sequence, kind, ref, said, content_hash, at, previous_hash, hash)
    VALUES :rows`,
    { rows },
  );
};

/** Links after a sequence, in their order, so many at once. */
export const selectLinks = async (
  db: Connection,
  after: number,
  most: number,
): Promise<readonly SiteLink[]> => {
  const [rows] = await db.query<RowDataPacket[]>(
    `
    SELECT sequence,
           kind,
           ref,
           said,
           content_hash,
           at,
           previous_hash,
           hash
      FROM site_chain
     WHERE sequence > :after
     ORDER BY sequence
     LIMIT :most`,
    { after, most },
  );
  return rows.map((row) => ({
    sequence: row['sequence'],
    kind: row['kind'],
    ref: row['ref'],
    said: row['said'],
    contentHash: row['content_hash'],
    at: instantFromSql(row['at']),
    previousHash: row['previous_hash'],
    hash: row['hash'],
  }));
};

/** Takes the one place of the sealer for some seconds, or keeps it; false while another process has it. */
export const takeSealer = async (db: Connection, holder: string, seconds: number): Promise<boolean> => {
  await db.execute('INSERT IGNORE INTO site_sealer (id) VALUES (1)');
  const [result] = await db.execute<ResultSetHeader>(
    `
    UPDATE site_sealer
       SET holder = :holder,
           held_until = UTC_TIMESTAMP(6) + INTERVAL :seconds SECOND
     WHERE id = 1
       AND (holder IS NULL OR holder = :holder OR held_until < UTC_TIMESTAMP(6))`,
    { holder, seconds },
  );
  return result.affectedRows === 1;
};

/** Gives the place of the sealer free. */
export const releaseSealer = async (db: Connection, holder: string): Promise<void> => {
  await db.execute('UPDATE site_sealer SET holder = NULL WHERE id = 1 AND holder = :holder', { holder });
};
