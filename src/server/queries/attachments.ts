import type { RowDataPacket } from 'mysql2';
import { type Attachment, attachmentSchema } from '#wire/attachment.ts';
import { instantFromSql, instantToSql } from '../database/instant.ts';
import type { Connection } from '../database/pool.ts';
import { readableRows } from '../database/readable-rows.ts';

export type AttachmentOwner = { readonly kind: 'source' | 'tool' | 'session' | 'job'; readonly id: string };

/** The attachments of a thing, without their contents, the oldest first. */
export const selectAttachments = async (
  db: Connection,
  owner: AttachmentOwner,
): Promise<readonly Attachment[]> => {
  const [rows] = await db.execute<RowDataPacket[]>(
    `
    SELECT id,
           name,
           media_type,
           size_bytes,
           sha256,
           added_by,
           added_at
      FROM attachments
     WHERE owner_kind = :kind
       AND owner_id = :id
     ORDER BY added_at`,
    { ...owner },
  );
  return readableRows('attachment', rows, (row) =>
    attachmentSchema.parse({
      id: row['id'],
      name: row['name'],
      mediaType: row['media_type'],
      size: row['size_bytes'],
      sha256: row['sha256'],
      addedBy: row['added_by'],
      addedAt: instantFromSql(row['added_at']),
    }),
  );
};

/** An attachment's content, or its small picture; null when there is none. */
export const selectAttachmentContent = async (
  db: Connection,
  id: string,
): Promise<{
  readonly name: string;
  readonly mediaType: string;
  readonly content: Uint8Array;
  readonly shown: Uint8Array | null;
  readonly thumbnail: Uint8Array | null;
} | null> => {
  const [rows] = await db.execute<RowDataPacket[]>(
    `
    SELECT name,
           media_type,
           content,
           shown,
           thumbnail
      FROM attachments
     WHERE id = :id`,
    { id },
  );
  const [row] = rows;
  return row
    ? {
        name: row['name'],
        mediaType: row['media_type'],
        content: row['content'],
        shown: row['shown'],
        thumbnail: row['thumbnail'],
      }
    : null;
};

/** Adds an attachment. */
export const insertAttachment = async (
  db: Connection,
  owner: AttachmentOwner,
  attachment: Attachment,
  file: { readonly content: Buffer; readonly shown: Buffer | null; readonly small: Buffer | null },
): Promise<void> => {
  await db.execute(
    `
    INSERT INTO attachments (
      id, owner_kind, owner_id, name, media_type, sha256, size_bytes, content, shown, thumbnail, added_by, added_at)
    VALUES (
      :id, :ownerKind, :ownerId, :name, :mediaType, :sha256, :size, :content, :shown, :small, :addedBy, :addedAt)`,
    {
      ...attachment,
      ownerKind: owner.kind,
      ownerId: owner.id,
      ...file,
      addedAt: instantToSql(attachment.addedAt),
    },
  );
};

/** Whether what a file is to be attached to is there. */
export const isOwnerThere = async (db: Connection, { kind, id }: AttachmentOwner): Promise<boolean> => {
  const [rows] = await db.execute<RowDataPacket[]>(
    `
    SELECT 1
      FROM jobs
     WHERE :kind = 'job'
       AND id = :id
     UNION ALL
    SELECT 1
      FROM sources
     WHERE :kind = 'source'
       AND id = :id
     UNION ALL
    SELECT 1
      FROM tools
     WHERE :kind = 'tool'
       AND id = :id
     UNION ALL
    SELECT 1
      FROM calibration_sessions
     WHERE :kind = 'session'
       AND id = :id`,
    { kind, id },
  );
  return rows.length > 0;
};

/** What is attached to a thing by now, and what somebody attached anywhere since a time. */
export const selectAttachmentUse = async (
  db: Connection,
  { kind, id }: AttachmentOwner,
  name: string,
  since: string,
): Promise<{ readonly files: number; readonly bytes: number; readonly bytesOfDay: number }> => {
  const [rows] = await db.execute<RowDataPacket[]>(
    `
    SELECT COUNT(*) AS files,
           COALESCE(SUM(size_bytes), 0) AS bytes,
           (SELECT COALESCE(SUM(size_bytes), 0)
              FROM attachments
             WHERE added_by = :name
               AND added_at > :since) AS of_day
      FROM attachments
     WHERE owner_kind = :kind
       AND owner_id = :id`,
    { kind, id, name, since: instantToSql(since) },
  );
  const [row] = rows;
  return {
    files: Number(row?.['files']),
    bytes: Number(row?.['bytes']),
    bytesOfDay: Number(row?.['of_day']),
  };
};
