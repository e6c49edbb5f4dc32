import { z } from 'zod';
import { DAY_ORDERS, type MemoryMapping, type MemoryTable } from '#core/device/memory-table.ts';
import { torqueUnitSchema } from '#core/quantity/unit.ts';

const column = z.string().max(60);
const mappingSchema = z.object({
  time: column,
  day: column.nullable(),
  torque: column,
  unitColumn: column.nullable(),
  unit: torqueUnitSchema.nullable(),
  number: column.nullable(),
  angle: column.nullable(),
  dayOrder: z.enum(DAY_ORDERS).nullable(),
  aheadMinutes: z.number().min(-900).max(900),
});

// A model is told by the columns that it writes: two tools of one model write the same.
const keyOf = ({ header }: Pick<MemoryTable, 'header'>): string =>
  `jentik-memory ${header.join('|')}`.slice(0, 400);

/** What the columns of a model's memory were said to be last; null where nobody said it here, or they are others now. */
export const keptMapping = (table: MemoryTable): MemoryMapping | null => {
  try {
    const kept = mappingSchema.safeParse(JSON.parse(localStorage.getItem(keyOf(table)) ?? 'null'));
    if (!kept.success) return null;
    const { time, day, torque, unitColumn, number, angle } = kept.data;
    const named = [time, day, torque, unitColumn, number, angle].filter((each) => each !== null);
    return named.every((each) => table.header.includes(each)) ? kept.data : null;
  } catch {
    return null;
  }
};

/** Keeps it for the next memory of that model. A device that keeps nothing asks again. */
export const keepMapping = (table: MemoryTable, mapping: MemoryMapping): void => {
  try {
    localStorage.setItem(keyOf(table), JSON.stringify(mapping));
  } catch {
    // Asked again, then.
  }
};
