import { torqueUnitsIn } from '../../quantity/unit-spelling.ts';
import type { LookupTable } from '../lookup/lookup-table.ts';
import type { LabelDoubt, LabelStatement } from './label-statement.ts';
import { torquesIn } from './line-torques.ts';
import type { LabelLine } from './split-label.ts';

/** A line of a label that a person must look at before it is kept, as pasted, and why. */
export type AskedLine = { readonly line: number; readonly text: string; readonly why: LabelDoubt };

/** A statement with the heading it stands under. */
export type Placed = { readonly group: string; readonly line: LabelLine; readonly statement: LabelStatement };

/** What the lines of a label come to. */
export type LabelReading = {
  readonly table: LookupTable;
  readonly asked: readonly AskedLine[];
};

const BY_HAND = /\b(?:finger|hand)[- ]?tight|handfest|fingerfest/i;

/** Whether a text asks for the fingers alone, a requirement without a figure. */
export const isByHand = (text: string): boolean => BY_HAND.test(text);

const FIGURES = /[\d½¼¾⅛⅜⅝⅞]/;

/** Whether a line only says what the lines under it are about: a name without figures, or a unit. */
export const isHeading = (text: string): boolean =>
  (!FIGURES.test(text) && !isByHand(text)) ||
  (!/\d\s*[a-z#]/i.test(text) && torqueUnitsIn(text).length > 0 && torquesIn(text).length === 0);

/** What a heading names, without the words every label has. */
export const titleOf = (text: string): string =>
  text
    .replace(/\b(?:tightening\s+)?torque\b/gi, ' ')
    .replace(/[()[\]:]+/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();
