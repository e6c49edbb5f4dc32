import jsQR from 'jsqr';

/** A picture as the browser draws it, with its own size in pixels. */
export type Picture = {
  readonly source: CanvasImageSource;
  readonly width: number;
  readonly height: number;
};

/**
 * Widths, in pixels, at which a picture is looked at in turn. At any one of them the modules of some codes
 * fall between the pixels: of 60 small photographs of labels, 12 were missed at 640 alone and none at
 * all five (scan.spec).
 */
const WIDTHS = [640, 1000, 500, 1600, 320] as const;

const codeAt = ({ source, width, height }: Picture, looked: number): string | null => {
  const canvas = document.createElement('canvas');
  canvas.width = looked;
  canvas.height = Math.max(1, Math.round((height / width) * looked));
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (!context) return null;
  context.drawImage(source, 0, 0, canvas.width, canvas.height);
  const { data } = context.getImageData(0, 0, canvas.width, canvas.height);
  return jsQR(data, canvas.width, canvas.height)?.data ?? null;
};

/** What the QR code in a photograph says; null where there is none that can be read. */
export const codeInPhotograph = (photograph: Picture): string | null => {
  for (const width of WIDTHS) {
    const found = codeAt(photograph, width);
    if (found !== null) return found;
  }
  return null;
};

/** What the QR code in the frame of that number says: a camera looks at each frame at one width, in turn. */
export const codeInFrame = (frame: Picture, number: number): string | null =>
  codeAt(frame, WIDTHS[number % WIDTHS.length] as number);
