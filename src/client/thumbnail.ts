const SIDE_PX = 320;
const QUALITY = 0.8;

const drawn = (source: CanvasImageSource, width: number, height: number): string => {
  const scale = Math.min(1, SIDE_PX / Math.max(width, height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(width * scale));
  canvas.height = Math.max(1, Math.round(height * scale));
  const context = canvas.getContext('2d');
  if (!context) return '';
  context.fillStyle = '#fff';
  context.fillRect(0, 0, canvas.width, canvas.height);
  context.drawImage(source, 0, 0, canvas.width, canvas.height);
  return canvas.toDataURL('image/jpeg', QUALITY).split(',')[1] ?? '';
};

const ofPicture = async (file: File): Promise<string> => {
  const bitmap = await createImageBitmap(file);
  return drawn(bitmap, bitmap.width, bitmap.height);
};

const ofPdf = async (file: File): Promise<string> => {
  const pdfjs = await import('pdfjs-dist');
  pdfjs.GlobalWorkerOptions.workerSrc = (await import('pdfjs-dist/build/pdf.worker.min.mjs?url')).default;
  const task = pdfjs.getDocument({ data: new Uint8Array(await file.arrayBuffer()), isEvalSupported: false });
  const document_ = await task.promise;
  const page = await document_.getPage(1);
  const base = page.getViewport({ scale: 1 });
  const viewport = page.getViewport({ scale: SIDE_PX / Math.max(base.width, base.height) });
  const canvas = document.createElement('canvas');
  canvas.width = viewport.width;
  canvas.height = viewport.height;
  await page.render({ canvas, viewport }).promise;
  await task.destroy();
  return drawn(canvas, canvas.width, canvas.height);
};

/** A small JPEG of a photograph or of a PDF's first page, in base64; null where the file can't be drawn (it is kept all the same). */
export const thumbnailBase64 = async (file: File): Promise<string | null> => {
  try {
    const picture = file.type === 'application/pdf' ? await ofPdf(file) : await ofPicture(file);
    return picture === '' ? null : picture;
  } catch {
    // A damaged or encrypted file has no picture; what it is worth is decided by its bytes on the server.
    return null;
  }
};

/** A file's bytes in base64. */
export const fileBase64 = (file: File): Promise<string> =>
  new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(String(reader.result).split(',')[1] ?? '');
    reader.onerror = () => reject(reader.error);
    reader.readAsDataURL(file);
  });
