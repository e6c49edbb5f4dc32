import { type TorqueUnit, unitSymbol } from '../../quantity/unit.ts';
import { torqueUnitsIn } from '../../quantity/unit-spelling.ts';
import type { Cell, ValueColumn } from '../lookup/lookup-table.ts';
import { printed } from './statement-table.ts';

/** The value columns of a row with what it prints in each. */
export type Values = readonly (readonly [ValueColumn, string])[];

/** How the value columns of a table belong together: one torque each, one torque in two units, or the two ends of one range. */
export type Together = 'each' | 'twice' | 'min-max';

const END = /^(?:torque\s+)?(min|max)(?:imum|\.)?$/i;

/** How the value columns of a table belong together. */
export const togetherOf = (values: readonly ValueColumn[]): Together => {
  const [first, second] = values;
  if (!first || !second || values.length !== 2) return 'each';
  const ends = [END.exec(first.name)?.[1]?.toLowerCase(), END.exec(second.name)?.[1]?.toLowerCase()];
  if (ends.includes('min') && ends.includes('max') && first.unit === second.unit) return 'min-max';
  const isTwice =
    first.unit !== null &&
    second.unit !== null &&
    first.unit !== second.unit &&
    (first.name === second.name || values.some(({ name }) => name === 'Torque'));
  return isTwice ? 'twice' : 'each';
};

const stated = (text: string, unit: TorqueUnit | null): string => {
  const bare = text.trim();
  return unit === null || bare === '' || torqueUnitsIn(bare).length > 0
    ? bare
    : `${bare} ${unitSymbol(unit)}`;
};

const isBlank = (text: string): boolean => /^[-–—.\s]*$/.test(text);

/** `5 to 7` of a least and a most; one of them alone is a minimum or a maximum. */
const rangeOf = (values: Values): string => {
  const end = (wanted: string): string =>
    values.find(([{ name }]) => END.exec(name)?.[1]?.toLowerCase() === wanted)?.[1].trim() ?? '';
  const [low, high] = [end('min'), end('max')];
  if (isBlank(low)) return isBlank(high) ? '' : `max ${high}`;
  return isBlank(high) ? `min ${low}` : `${low} to ${high}`;
};

/** The value cells of a row: one for each column, or one for both. */
export const cellsTogether = (together: Together, values: Values): readonly Cell[] => {
  if (together === 'min-max') return [printed(rangeOf(values))];
  if (together === 'each') return values.map(([, text]) => printed(text));
  const [first = '', second = ''] = values.map(([{ unit }, text]) => stated(text, unit));
  return [printed(second === '' ? first : `${first} (${second})`)];
};
