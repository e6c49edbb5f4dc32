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
  readonly thumbnail: Uint8Array | null;
} | null> => {
  const [rows] = await db.execute<RowDataPacket[]>(
    `
    SELECT name,
           media_type,
           content,
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
        thumbnail: row['thumbnail'],
      }
    : null;
};

/** Adds an attachment. */
export const insertAttachment = async (
  db: Connection,
  owner: AttachmentOwner,
  attachment: Attachment,
  content: Uint8Array,
  thumbnail: Uint8Array | null,
): Promise<void> => {
  await db.execute(
    `
    INSERT INTO attachments (
      id, owner_kind, owner_id, name, media_type, sha256, size_bytes, content, thumbnail, added_by, added_at)
    VALUES (
      :id, :ownerKind, :ownerId, :name, :mediaType, :sha256, :size, :content, :thumbnail, :addedBy, :addedAt)`,
    {
      ...attachment,
      ownerKind: owner.kind,
      ownerId: owner.id,
      content: Buffer.from(content),
      thumbnail: thumbnail ? Buffer.from(thumbnail) : null,
      addedAt: instantToSql(attachment.addedAt),
    },
  );
};
