/** Stands between the groups of a number's thousands, where print sets a space narrower than a word's. */
export const GROUP_SPACE = '\u2009';

const DASHES = /[\u00ad\u2010-\u2015\u2043\u2212\ufe58\ufe63]/g;
const SPACES = /[\t\n\r\u00a0\u1680\u2000-\u200b\u202f\u205f\u2060\u3000\ufeff]/g;
const FULL_WIDTH = /[\uff01-\uff5e]/g;
const FULL_WIDTH_OFFSET = 0xfee0;
const IS_PLAIN = /^[\x20-\x7e]*$/;

const spaceOf = (text: string, at: number): string => {
  const isBeforeGroup = /^\d{3}(?!\d)/.test(text.slice(at + 1, at + 5));
  return isBeforeGroup && /\d/.test(text[at - 1] ?? '') && !/[\t\n\r]/.test(text[at] ?? '')
    ? GROUP_SPACE
    : ' ';
};

/** Print with every dash of Unicode as `-`, every space as a plain one and wide letters as narrow ones; a space that can only part thousands
 *  stays apart. It has as many characters as before, so that a place in it is a place in the print. */
export const plainPrint = (text: string): string =>
  IS_PLAIN.test(text)
    ? text
    : text
        .replace(FULL_WIDTH, (letter) => String.fromCharCode(letter.charCodeAt(0) - FULL_WIDTH_OFFSET))
        .replace(DASHES, '-')
        .replace(SPACES, (_, at: number, whole: string) => spaceOf(whole, at))
        .replaceAll('⁄', '/');
