// A spreadsheet runs a cell that begins with =, +, - or @ as a formula; where semicolons or tabs part its cells, also what stands behind one inside a text
// (OWASP, CSV Injection; the signs in full width beside them). An apostrophe before it makes it text, and is taken away again when the list comes back.

const SIGNS = '[=+\\-@＝＋－＠]';
const RUNS = new RegExp(`(^|[;\\t\\r\\n])(?='*${SIGNS})`, 'g');
const GUARDED = new RegExp(`(^|[;\\t\\r\\n])'(?='*${SIGNS})`, 'g');
const NUMBER = /^[+-]?\d+(?:[.,]\d+)?$/;

/** A cell as it is written into a file for spreadsheets: no formula, whatever somebody typed. A number stays one. */
export const guardedCell = (text: string): string => (NUMBER.test(text) ? text : text.replace(RUNS, "$1'"));

/** The cell as it was before it was guarded. */
export const unguardedCell = (text: string): string => text.replace(GUARDED, '$1');
