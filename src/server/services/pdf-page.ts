import { createRequire } from 'node:module';
import PDFDocument from 'pdfkit';

const FONTS = {
  text: '@fontsource/noto-sans-math/files/noto-sans-math-latin-400-normal.woff',
} as const;

const MARGIN_POINTS = 40;

/** A PDF as bytes, drawn by a function on A4 pages with the font that has every sign of the trade. */
export const pdfOf = (draw: (pdf: PDFKit.PDFDocument) => void): Promise<Uint8Array> =>
  new Promise((resolve, reject) => {
    const pdf = new PDFDocument({ size: 'A4', margin: MARGIN_POINTS, info: { Producer: 'Jentik' } });
    const chunks: Buffer[] = [];
    pdf.on('data', (chunk: Buffer) => chunks.push(chunk));
    pdf.on('end', () => resolve(Buffer.concat(chunks)));
    pdf.on('error', reject);
    pdf.registerFont('text', createRequire(import.meta.url).resolve(FONTS.text));
    pdf.font('text');
    draw(pdf);
    pdf.end();
  });
