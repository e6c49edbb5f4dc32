import { torqueUnitsIn } from '../../quantity/unit-spelling.ts';
import type { KeyKind } from '../lookup/key-span.ts';
import type { KeyColumn, ValueColumn } from '../lookup/lookup-table.ts';
import { readKeySpan } from '../lookup/read-key-span.ts';
import { readRequirement } from '../requirement/read-requirement.ts';
import { propertyClassOf } from '../screw/property-class.ts';

/** What a column of a label was taken for. */
export type LabelColumn =
  | { readonly part: 'key'; readonly column: KeyColumn }
  | { readonly part: 'value'; readonly column: ValueColumn };

const HEADINGS: readonly (readonly [KeyKind, RegExp])[] = [
  ['metal', /\b(?:metal|material|cu|al|cu\/al)\b/i],
  ['conductor', /\b(?:awg|kcmil|mcm|wire|conductor|cable)\b|mm²|mm2/i],
  ['thread', /\b(?:thread|screw|bolt|stud)\b/i],
  ['inch-size', /\b(?:tube|tubing|dash|o\.?d\.?|hex|key|flats|nut|hose)\b/i],
  ['number', /\b(?:qty|count|number|no\. of|shank|bore|mm|diameter|dia)\b/i],
];
const MAJORITY = 0.6;

const share = (cells: readonly string[], test: (cell: string) => boolean): number => {
  const written = cells.filter((cell) => !/^[-–—\s]*$/.test(cell));
  return written.length === 0 ? 0 : written.filter(test).length / written.length;
};

const isReadAs =
  (kind: KeyKind, unit = '') =>
  (cell: string): boolean =>
    readKeySpan(kind, cell, unit).ok;

const isTorqueCell = (cell: string): boolean => {
  const read = readRequirement(cell, 'N.m');
  return read.ok || read.refusal.code === 'ambiguous-unit';
};

// A bare `2.5` under "hex key" is millimetres as likely as not: only what looks like inches is taken for them.
const isInInches = (cell: string): boolean => /\/|^-|^dash|["″]|^[0.]*\.\d/i.test(cell);

/** The kind by the heading where its cells can be read so, else the first kind that the cells' own marks give away. */
const keyKind = (heading: string, cells: readonly string[], conductorUnit: string): KeyKind => {
  const named = HEADINGS.find(
    ([kind, words]) =>
      words.test(heading) &&
      share(cells, isReadAs(kind, conductorUnit)) >= MAJORITY &&
      (kind !== 'inch-size' || share(cells, isInInches) >= MAJORITY),
  );
  if (named) return named[0];
  if (
    share(cells, (cell) => /#|awg|kcmil|mcm|mm²|mm2|^[1-4]\/0/i.test(cell) && isReadAs('conductor')(cell)) >=
    MAJORITY
  )
    return 'conductor';
  if (share(cells, isReadAs('thread')) >= MAJORITY) return 'thread';
  if (share(cells, (cell) => isInInches(cell) && isReadAs('inch-size')(cell)) >= MAJORITY) return 'inch-size';
  if (share(cells, isReadAs('metal')) >= MAJORITY) return 'metal';
  return share(cells, isReadAs('number')) >= MAJORITY ? 'number' : 'category';
};

const numberUnit = (heading: string, cells: readonly string[]): string =>
  /\bmm\b/i.test(heading) || cells.some((cell) => /\bmm\b/i.test(cell)) ? 'mm' : '';

const conductorUnitOf = (heading: string): string =>
  /mm²|mm2|sq\.?\s*mm/i.test(heading) ? 'mm²' : (/\b(?:kcmil|mcm)\b/i.exec(heading)?.[0].toLowerCase() ?? '');

const withoutUnit = (heading: string): string =>
  propertyClassOf(heading) ??
  heading
    .replace(
      /\b(?:in|pounds?|lbf?s?|newtons?|metres?|meters?|nm|n|m|ft|foot|feet|inch|inches|cm|oz)\b/gi,
      ' ',
    )
    .replace(/[()[\]·⋅.,/*-]+/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();

const NAMES: Record<KeyKind, string> = {
  conductor: 'Conductor',
  'inch-size': 'Size',
  thread: 'Thread',
  number: 'Size',
  metal: 'Metal',
  category: 'Where',
};

/** A key column with the name its heading prints, or the plain name of its kind. */
export const keyColumn = (kind: KeyKind, name = '', unit = ''): KeyColumn => ({
  name: name === '' ? NAMES[kind] : name,
  kind,
  unit,
});

/** What is known of a column beside its heading and cells. */
export type ColumnPlace = {
  readonly isFirst: boolean;
  readonly isLast: boolean;
};

// Headings under which a table prints torques apart: by the metal, the end of a range, or the state of the thread; and by the class of the screw.
const VALUE_HEADING =
  /^(?:cu|copper|al|alum(?:in(?:i)?um)?|steel|brass|min(?:imum|\.)?|max(?:imum|\.)?|dry|oiled|lub(?:ricated|\.)?|nom(?:inal|\.)?)$/i;

const isValueHeading = (heading: string): boolean =>
  VALUE_HEADING.test(withoutUnit(heading)) || propertyClassOf(heading) !== null;

/** What a column of cells under a heading is. Of bare numbers the last column is the value, and any that stands under the name of a metal, an
 *  end of a range, a state of the thread or a class of screw. */
export const labelColumn = (
  heading: string,
  cells: readonly string[],
  { isFirst, isLast }: ColumnPlace,
): LabelColumn => {
  const [unit = null] = torqueUnitsIn(heading);
  const isBareNumber =
    share(cells, (cell) => /^\d+(?:[.,]\d+)?(?:\s*[-–]\s*\d+(?:[.,]\d+)?)?$/.test(cell)) >= MAJORITY;
  const isValue =
    unit !== null ||
    share(cells, isTorqueCell) >= MAJORITY ||
    (isBareNumber && (isLast || /torque/i.test(heading) || (!isFirst && isValueHeading(heading))));
  if (isValue)
    return { part: 'value', column: { name: withoutUnit(heading) || 'Torque', kind: 'torque', unit } };
  const conductorUnit = conductorUnitOf(heading);
  const kind = keyKind(heading, cells, conductorUnit);
  const unitOf = { number: () => numberUnit(heading, cells), conductor: () => conductorUnit };
  return {
    part: 'key',
    column: keyColumn(kind, heading, kind in unitOf ? unitOf[kind as keyof typeof unitOf]() : ''),
  };
};
