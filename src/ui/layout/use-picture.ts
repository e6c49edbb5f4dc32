import { useEffect, useState } from 'react';
import { type Behind, scaledBy, unscaled } from '#core/layout/behind.ts';
import type { Place } from '#core/layout/generator.ts';

/** Most bytes of a picture that is laid behind. */
export const PICTURE_MOST_BYTES = 25_000_000;

export type Picture = {
  /** Null while there is none. */
  readonly url: string | null;
  readonly behind: Behind | null;
  /** The points that were pressed to scale it by. */
  readonly marks: readonly Place[];
  /** Whether somebody has scaled it. */
  readonly isScaled: boolean;
  /** Why the file was not taken, in words; null where it was. */
  readonly wrong: string | null;
  readonly take: (file: File) => Promise<void>;
  readonly mark: (place: Place) => void;
  /** Scales it by the two points; false where they can't be. */
  readonly scale: (distanceMm: number) => boolean;
  readonly drop: () => void;
};

type Held = Pick<Picture, 'url' | 'behind' | 'marks' | 'isScaled' | 'wrong'>;

const NONE: Held = { url: null, behind: null, marks: [], isScaled: false, wrong: null };

/** A photograph or a drawing laid behind the fasteners, scaled by two points of a known distance. It stays in this browser until the page is left. */
export const usePicture = (): Picture => {
  const [held, setHeld] = useState<Held>(NONE);
  const { url } = held;
  useEffect(
    () => () => {
      if (url) URL.revokeObjectURL(url);
    },
    [url],
  );
  return {
    ...held,
    take: async (file) => {
      if (file.size > PICTURE_MOST_BYTES)
        return setHeld({
          ...NONE,
          wrong: `${file.name} has ${(file.size / 1e6).toFixed(1)} MB; up to ${PICTURE_MOST_BYTES / 1e6} MB are shown. Take a smaller picture.`,
        });
      try {
        const bitmap = await createImageBitmap(file);
        const behind = unscaled(bitmap.width, bitmap.height);
        bitmap.close();
        setHeld({ ...NONE, url: URL.createObjectURL(file), behind });
      } catch {
        setHeld({
          ...NONE,
          wrong: `${file.name} is no picture this browser can show. Take a JPEG or a PNG.`,
        });
      }
      return undefined;
    },
    mark: (place) => setHeld((now) => ({ ...now, marks: [...now.marks.slice(-1), place] })),
    scale: (distanceMm) => {
      const [a, b] = held.marks;
      const behind = held.behind && a && b ? scaledBy(held.behind, a, b, distanceMm) : null;
      if (behind) setHeld({ ...held, behind, marks: [], isScaled: true });
      return behind !== null;
    },
    drop: () => setHeld(NONE),
  };
};
