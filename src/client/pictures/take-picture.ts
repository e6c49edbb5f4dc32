import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex } from '@noble/hashes/utils.js';
import type { Person } from '#core/people/person.ts';
import { accepted, type Result, refused } from '#core/result.ts';
import { attachmentType } from '#core/spec/book/media-type.ts';
import { ATTACHMENT_MAX_BYTES } from '#wire/attachment.ts';
import { newId } from '../happen.ts';
import { fileBase64, thumbnailBase64 } from '../thumbnail.ts';
import { keepPicture } from './kept-pictures.ts';
import { wakeSending } from './send-pictures.ts';

/** A photograph as an event names it. */
export type TakenPicture = { readonly attachmentId: string; readonly sha256: string };

type PictureRefusal =
  | { readonly code: 'attachment-too-large'; readonly mostBytes: number }
  | { readonly code: 'attachment-type' }
  | { readonly code: 'device-storage-failed' };

/** Keeps a photograph on this device, to be sent when the site answers, and says what an event names it by.
 *  Refuses: attachment-too-large, attachment-type (by its bytes), device-storage-failed. */
export const takenPicture = async (
  file: File,
  job: string,
  person: Pick<Person, 'id'>,
): Promise<Result<TakenPicture, PictureRefusal>> => {
  if (file.size > ATTACHMENT_MAX_BYTES)
    return refused({ code: 'attachment-too-large', mostBytes: ATTACHMENT_MAX_BYTES });
  const bytes = new Uint8Array(await file.arrayBuffer());
  if (!attachmentType(bytes)) return refused({ code: 'attachment-type' });
  const id = newId();
  try {
    await keepPicture({
      id,
      job,
      personId: person.id,
      name: file.name.slice(-120) || 'photograph',
      contentBase64: await fileBase64(file),
      thumbnailBase64: await thumbnailBase64(file),
      refused: null,
    });
  } catch {
    return refused({ code: 'device-storage-failed' });
  }
  wakeSending();
  return accepted({ attachmentId: id, sha256: bytesToHex(sha256(bytes)) });
};
