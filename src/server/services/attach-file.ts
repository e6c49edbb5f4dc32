import { createHash, randomUUID } from 'node:crypto';
import { accepted, type Result, refused } from '#core/result.ts';
import { attachmentType } from '#core/spec/book/media-type.ts';
import type { Attachment } from '#wire/attachment.ts';
import { ATTACHMENT_MAX_BYTES } from '#wire/attachment.ts';
import type { Problem } from '#wire/problems/problem.ts';
import type { Asker } from '../asker.ts';
import { inAThread } from '../computing/in-a-thread.ts';
import { insertedUnlessTaken } from '../database/duplicate.ts';
import { database } from '../database/pool.ts';
import { drawnPicture, redrawnSmall } from '../files/picture.ts';
import {
  type AttachmentOwner,
  insertAttachment,
  isOwnerThere,
  selectAttachments,
  selectAttachmentUse,
} from '../queries/attachments.ts';
import { now, secondsAfter } from './clock.ts';

const MB = 1_000_000;
const DAY_SECONDS = 86_400;
/** How much is kept with one thing: a job has a photograph of each of its fasteners. */
const MOST: Readonly<Record<AttachmentOwner['kind'], { readonly files: number; readonly bytes: number }>> = {
  job: { files: 1_000, bytes: 3_000 * MB },
  source: { files: 60, bytes: 300 * MB },
  tool: { files: 60, bytes: 300 * MB },
  session: { files: 60, bytes: 300 * MB },
};
/** How much one person attaches in a day. */
const MOST_BYTES_A_DAY = 2_000 * MB;

const notThere = ({ kind }: AttachmentOwner): Problem =>
  ({ code: 'not-found', what: kind === 'session' ? 'calibration' : kind }) as const;

/** Whether one more file has room with its owner, and with who attaches it. Refuses: not-found (the owner), attachments-full. */
const room = async (owner: AttachmentOwner, size: number, by: Asker): Promise<Result<null, Problem>> => {
  if (!(await isOwnerThere(database(), owner))) return refused(notThere(owner));
  const use = await selectAttachmentUse(database(), owner, by.name, secondsAfter(now(), -DAY_SECONDS));
  const { files, bytes } = MOST[owner.kind];
  if (use.files >= files) return refused({ code: 'attachments-full', of: 'files', most: files });
  if (use.bytes + size > bytes) return refused({ code: 'attachments-full', of: 'bytes', most: bytes });
  if (use.bytesOfDay + size > MOST_BYTES_A_DAY)
    return refused({ code: 'attachments-full', of: 'day', most: MOST_BYTES_A_DAY });
  return accepted(null);
};

/** What is shown of a file: of a picture itself drawn anew, of a PDF the small picture that the device made of it. Refuses: attachment-broken, attachment-active. */
const shownOf = async (
  content: Buffer,
  mediaType: string,
  small: Buffer | null,
): Promise<Result<{ readonly shown: Buffer | null; readonly small: Buffer | null }, Problem>> => {
  if (mediaType !== 'application/pdf') return drawnPicture(content, mediaType);
  const read = await inAThread({ kind: 'read-pdf', body: Uint8Array.from(content) });
  if (!read.ok) return read;
  return accepted({ shown: null, small: small && (await redrawnSmall(small)) });
};

/** Attaches a file to a job, a source, a tool or a calibration. It is kept as it came, because a record may name it by its hash, and shown as the site draws it.
 *  Refuses: attachment-too-large, attachment-type (by the bytes, not the name), attachment-broken, attachment-active, attachments-full, not-found (what it is attached
 *  to), claim-untrue (its id is that of another file). */
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
  const given = file.thumbnailBase64 === null ? null : Buffer.from(file.thumbnailBase64, 'base64');
  if (!mediaType || (given && !attachmentType(given)?.startsWith('image/')))
    return refused({ code: 'attachment-type' });
  const hasRoom = await room(owner, content.length, by);
  if (!hasRoom.ok) return hasRoom;
  const drawn = await shownOf(content, mediaType, given);
  if (!drawn.ok) return drawn;
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
    insertAttachment(database(), owner, attachment, { content, ...drawn.value }),
  );
  if (isNew) return accepted(attachment);
  // A device that never heard the answer sends it again.
  const there = (await selectAttachments(database(), owner)).find(({ id }) => id === attachment.id);
  return there?.sha256 === attachment.sha256
    ? accepted(there)
    : refused({ code: 'claim-untrue', field: 'id' });
};
