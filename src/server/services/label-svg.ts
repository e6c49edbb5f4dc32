import QRCode from 'qrcode';

const escaped = (text: string): string => text.replace(/[<>&"]/g, (sign) => `&#${sign.charCodeAt(0)};`);

/** A label and the code on it, in millimetres. */
export const LABEL_MM = { width: 62, height: 24, code: 20 } as const;

// Letters of the sizes below that fit beside the code.
const HEADING_LETTERS = 11;
const LINE_LETTERS = 17;
const SMALL_LETTERS = 40;
/** Room beside the code, and how wide a letter is for its size, on the average. */
const ROOM_MM = 35;
const LETTER = 0.5;

/** The size of a line of text that fits beside the code, in millimetres. */
const fitting = (words: string, most: number): number =>
  Number(Math.min(most, ROOM_MM / (Math.max(1, words.length) * LETTER)).toFixed(2));

const cut = (text: string, most: number): string =>
  text.length > most ? `${text.slice(0, most - 1)}…` : text;

/** What a label says beside its code. A long heading is set smaller, over two lines. */
export type LabelWords = { readonly heading: string; readonly line: string; readonly small: string };

const headingLines = (heading: string): readonly [string, string] => {
  const words = heading.split(' ');
  let first = words[0] ?? '';
  let taken = 1;
  while (taken < words.length && `${first} ${words[taken]}`.length <= LINE_LETTERS) {
    first = `${first} ${words[taken]}`;
    taken += 1;
  }
  return [cut(first, LINE_LETTERS), cut(words.slice(taken).join(' '), LINE_LETTERS)];
};

const text = (y: number, size: number, words: string, weight = ''): string =>
  words === '' ? '' : `<text x="25" y="${y}" font-size="${size}"${weight}>${escaped(words)}</text>`;

/** A label, 62 by 24 mm, with a QR code that says an address. */
export const labelSvg = async (address: string, { heading, line, small }: LabelWords): Promise<string> => {
  const code = await QRCode.toString(address, { type: 'svg', margin: 0, errorCorrectionLevel: 'M' });
  const inner = code.replace(
    /^[\s\S]*?<svg[^>]*viewBox="([^"]*)"[^>]*>/,
    '<svg x="2" y="2" width="20" height="20" viewBox="$1">',
  );
  const bold = ' font-weight="bold"';
  const [first, second] = headingLines(heading);
  const head =
    heading.length <= HEADING_LETTERS
      ? text(9, 6, heading, bold)
      : `${text(6, 3.8, first, bold)}${text(10.5, 3.8, second, bold)}`;
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${LABEL_MM.width}mm" height="${LABEL_MM.height}mm" viewBox="0 0 ${LABEL_MM.width} ${LABEL_MM.height}" font-family="sans-serif"><rect width="100%" height="100%" fill="#fff"/>${inner.trim()}${head}${text(15, fitting(cut(line, SMALL_LETTERS), 3.6), cut(line, SMALL_LETTERS))}${text(19.5, fitting(cut(small, SMALL_LETTERS), 2.4), cut(small, SMALL_LETTERS))}</svg>`;
};
