import { createHash, randomUUID } from 'node:crypto';
import { accepted, type Result, refused } from '#core/result.ts';
import { attachmentType } from '#core/spec/book/media-type.ts';
import type { Attachment } from '#wire/attachment.ts';
import { ATTACHMENT_MAX_BYTES } from '#wire/attachment.ts';
import type { Problem } from '#wire/problems/problem.ts';
import type { Asker } from '../asker.ts';
import { insertedUnlessTaken } from '../database/duplicate.ts';
import { database } from '../database/pool.ts';
import {
  type AttachmentOwner,
  insertAttachment,
  selectAttachmentContent,
  selectAttachments,
} from '../queries/attachments.ts';
import { now } from './clock.ts';

/** Attaches a file to a source or a tool, with the small picture that the device made of it.
 *  Refuses: attachment-type (by the bytes, not the name), attachment-too-large, claim-untrue (its id is that of another file). */
export const attachFile = async (
  owner: AttachmentOwner,
  file: {
    readonly id?: string | undefined;
    readonly name: string;
    readonly contentBase64: string;
    readonly thumbnailBase64: string | null;
  },
  by: Asker,
): Promise<Result<Attachment, Problem>> => {
  const content = Buffer.from(file.contentBase64, 'base64');
  if (content.length > ATTACHMENT_MAX_BYTES)
    return refused({ code: 'attachment-too-large', mostBytes: ATTACHMENT_MAX_BYTES });
  const mediaType = attachmentType(content);
  const thumbnail = file.thumbnailBase64 === null ? null : Buffer.from(file.thumbnailBase64, 'base64');
  const isPicture = thumbnail === null || attachmentType(thumbnail)?.startsWith('image/');
  if (!mediaType || !isPicture) return refused({ code: 'attachment-type' });
  const attachment: Attachment = {
    id: file.id ?? randomUUID(),
    name: file.name,
    mediaType,
    size: content.length,
    sha256: createHash('sha256').update(content).digest('hex'),
    addedBy: by.name,
    addedAt: now(),
  };
  const isNew = await insertedUnlessTaken(
    insertAttachment(database(), owner, attachment, content, thumbnail),
  );
  if (isNew) return accepted(attachment);
  // A device that never heard the answer sends it again.
  const there = (await selectAttachments(database(), owner)).find(({ id }) => id === attachment.id);
  return there?.sha256 === attachment.sha256
    ? accepted(there)
    : refused({ code: 'claim-untrue', field: 'id' });
};

/** An attachment's content, or its small picture. Refuses: not-found. */
export const attachedFile = async (
  id: string,
  isSmall: boolean,
): Promise<Result<{ readonly name: string; readonly type: string; readonly bytes: Uint8Array }, Problem>> => {
  const found = await selectAttachmentContent(database(), id);
  if (!found || (isSmall && !found.thumbnail)) return refused({ code: 'not-found', what: 'attachment' });
  const { name, mediaType, content, thumbnail } = found;
  return accepted(
    isSmall && thumbnail
      ? { name, type: attachmentType(thumbnail) ?? 'image/jpeg', bytes: thumbnail }
      : { name, type: mediaType, bytes: content },
  );
};
