import sharp from 'sharp';
import { accepted, type Result, refused } from '#core/result.ts';
import type { Problem } from '#wire/problems/problem.ts';

// A picture is decoded to its end and drawn anew: what is shown was written here, without what a device put beside it (where it was taken, by what) and without
// whatever else its bytes may be.

/** More points than any telephone's camera has: a small file can say that it is a thousand times as large. */
const MOST_POINTS = 120_000_000;
const SHOWN_PX = 2560;
const SMALL_PX = 320;
const QUALITY = 82;
const PATIENCE_SECONDS = 20;

/** A picture as it is shown, and small for lists; both JPEG. */
export type DrawnPicture = { readonly shown: Buffer; readonly small: Buffer };

const drawn = (bytes: Uint8Array, sidePx: number): Promise<Buffer> =>
  sharp(bytes, { failOn: 'truncated', limitInputPixels: MOST_POINTS })
    .timeout({ seconds: PATIENCE_SECONDS })
    // As it was held: the mark that says so is not carried over.
    .rotate()
    .resize(sidePx, sidePx, { fit: 'inside', withoutEnlargement: true })
    .flatten({ background: '#fff' })
    .jpeg({ quality: QUALITY })
    .toBuffer();

/** A picture drawn anew. Refuses: attachment-broken (it can't be decoded to its end, or is too large to be one). */
export const drawnPicture = async (
  bytes: Uint8Array,
  mediaType: string,
): Promise<Result<DrawnPicture, Problem>> => {
  try {
    return accepted({ shown: await drawn(bytes, SHOWN_PX), small: await drawn(bytes, SMALL_PX) });
  } catch {
    return refused({ code: 'attachment-broken', mediaType });
  }
};

/** A small picture that a device made of a PDF, drawn anew; null for what is none. */
export const redrawnSmall = (bytes: Uint8Array): Promise<Buffer | null> =>
  drawn(bytes, SMALL_PX).catch(() => null);
