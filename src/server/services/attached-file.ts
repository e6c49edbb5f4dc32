import { accepted, type Result, refused } from '#core/result.ts';
import type { Problem } from '#wire/problems/problem.ts';
import { database } from '../database/pool.ts';
import { drawnPicture } from '../files/picture.ts';
import { selectAttachmentContent } from '../queries/attachments.ts';

/** Which of an attachment is asked for: as it is shown, small for lists, or the bytes that were sent, whose hash a record may name. */
export type AttachedForm = 'shown' | 'small' | 'original';

/** A file of an attachment, as it may leave the site. */
export type AttachedFile = {
  readonly name: string;
  readonly type: string;
  readonly bytes: Uint8Array;
  /** Whether a browser may show it where it stands: only what the site drew itself. */
  readonly isShown: boolean;
};

const JPEG = 'image/jpeg';

/** An attachment: a picture as the site drew it, a PDF and whatever was sent only to be saved. Refuses: not-found, attachment-broken (a picture from before pictures were
 *  decoded when they came). */
export const attachedFile = async (
  id: string,
  form: AttachedForm,
): Promise<Result<AttachedFile, Problem>> => {
  const found = await selectAttachmentContent(database(), id);
  if (!found) return refused({ code: 'not-found', what: 'attachment' });
  const { name, mediaType, content, shown, thumbnail } = found;
  if (form === 'original')
    return accepted({ name, type: 'application/octet-stream', bytes: content, isShown: false });
  if (mediaType === 'application/pdf' && form === 'shown')
    return accepted({ name, type: mediaType, bytes: content, isShown: false });
  if (mediaType === 'application/pdf')
    return thumbnail
      ? accepted({ name, type: JPEG, bytes: thumbnail, isShown: true })
      : refused({ code: 'not-found', what: 'attachment' });
  if (form === 'shown' && shown) return accepted({ name, type: JPEG, bytes: shown, isShown: true });
  if (form === 'small' && shown && thumbnail)
    return accepted({ name, type: JPEG, bytes: thumbnail, isShown: true });
  const drawn = await drawnPicture(content, mediaType);
  if (!drawn.ok) return drawn;
  const bytes = form === 'small' ? drawn.value.small : drawn.value.shown;
  return accepted({ name, type: JPEG, bytes, isShown: true });
};
