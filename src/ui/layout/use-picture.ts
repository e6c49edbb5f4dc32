import { useEffect, useState } from 'react';
import { forgetPicture, type KeptPicture, keepPicture, readPicture } from '#client/layout/kept-picture.ts';
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

type Held = Pick<Picture, 'url' | 'behind' | 'marks' | 'isScaled' | 'wrong'> & { readonly file: Blob | null };

const NONE: Held = { file: null, url: null, behind: null, marks: [], isScaled: false, wrong: null };

const lying = ({ file, behind, isScaled }: KeptPicture): Held => ({
  ...NONE,
  file,
  url: URL.createObjectURL(file),
  behind,
  isScaled,
});

/** A photograph or a drawing laid behind the fasteners, scaled by two points of a known distance. It stays in this browser over a reload, as what is
 *  laid out does. */
export const usePicture = (): Picture => {
  const [held, setHeld] = useState<Held>(NONE);
  const { url } = held;
  useEffect(
    () => () => {
      if (url) URL.revokeObjectURL(url);
    },
    [url],
  );
  useEffect(() => {
    void readPicture().then((kept) => {
      // One that was chosen meanwhile stays.
      if (kept) setHeld((now) => (now === NONE ? lying(kept) : now));
    });
  }, []);
  return {
    ...held,
    take: async (file) => {
      // What can't be taken leaves the one that lies there.
      const isWrong = (wrong: string): void => setHeld((now) => ({ ...now, wrong }));
      if (file.size > PICTURE_MOST_BYTES)
        return isWrong(
          `${file.name} has ${(file.size / 1e6).toFixed(1)} MB; up to ${PICTURE_MOST_BYTES / 1e6} MB are shown. Take a smaller picture.`,
        );
      try {
        const bitmap = await createImageBitmap(file);
        const picture = { file, behind: unscaled(bitmap.width, bitmap.height), isScaled: false };
        bitmap.close();
        void keepPicture(picture);
        setHeld(lying(picture));
      } catch {
        isWrong(`${file.name} is no picture this browser can show. Take a JPEG or a PNG.`);
      }
      return undefined;
    },
    mark: (place) => setHeld((now) => ({ ...now, marks: [...now.marks.slice(-1), place] })),
    scale: (distanceMm) => {
      const [a, b] = held.marks;
      const behind = held.behind && a && b ? scaledBy(held.behind, a, b, distanceMm) : null;
      if (behind && held.file) {
        void keepPicture({ file: held.file, behind, isScaled: true });
        setHeld({ ...held, behind, marks: [], isScaled: true, wrong: null });
      }
      return behind !== null;
    },
    drop: () => {
      void forgetPicture();
      setHeld(NONE);
    },
  };
};
