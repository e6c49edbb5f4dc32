import type { KeyKind } from './key-span.ts';
import { type LookUpAnswers, lookUp } from './look-up.ts';
import type { ReadTable } from './lookup-table.ts';

/** Another size that an answer is easily taken for, and the row that it would find. */
export type LookAlike = { readonly column: number; readonly answer: string; readonly row: number };

const OTHERS: Partial<Record<KeyKind, (text: string) => readonly string[]>> = {
  // 4 and 4/0 stand far apart on the axis and side by side in print.
  conductor: (text) => {
    const aught = /^(?:awg\s*|#\s*)?([1-4])\s*\/\s*0/i.exec(text);
    if (aught) return [`${aught[1]} AWG`];
    const plain = /^(?:awg\s*|#\s*)?([1-4])\s*(?:awg)?$/i.exec(text);
    return plain ? [`${plain[1]}/0 AWG`] : [];
  },
  // A dash number counts sixteenths; without its dash it is inches.
  'inch-size': (text) => {
    const dash = /^(?:dash\s*|-)(\d{1,2})$/i.exec(text);
    if (dash) return [`${dash[1]} in`];
    const whole = /^(\d{1,2})(?:\s*(?:in\.?|["″]))?$/i.exec(text);
    return whole ? [`-${whole[1]}`] : [];
  },
};

/** For answers that find a row: the sizes each is easily taken for that would find another one. */
export const lookAlikes = (read: ReadTable, answers: LookUpAnswers): readonly LookAlike[] => {
  const found = lookUp(read, answers);
  if (found.kind !== 'found') return [];
  return read.table.keys.flatMap(({ kind }, column) =>
    (OTHERS[kind]?.((answers.keys[column] ?? '').trim()) ?? []).flatMap((answer) => {
      const keys = answers.keys.map((each, index) => (index === column ? answer : each));
      const other = lookUp(read, { ...answers, keys });
      return other.kind === 'found' && other.row !== found.row ? [{ column, answer, row: other.row }] : [];
    }),
  );
};
