import { z } from 'zod';
import { typedText } from '#core/bounds.ts';
import { torqueUnitSchema } from '#core/quantity/unit.ts';
import { KEY_KINDS } from '#core/spec/lookup/key-span.ts';
import { type LookupTable, TABLE_MAX_COLUMNS, TABLE_MAX_ROWS } from '#core/spec/lookup/lookup-table.ts';

const CELL_MAX_LENGTH = 200;
const cellSchema = z.strictObject({
  printed: z.string().max(CELL_MAX_LENGTH),
  readAs: z.string().max(CELL_MAX_LENGTH).nullable(),
});

/** A lookup table, cell by cell as printed. */
export const lookupTableSchema = z
  .strictObject({
    name: typedText(120),
    subject: typedText(160),
    keys: z
      .array(z.strictObject({ name: typedText(120), kind: z.enum(KEY_KINDS), unit: z.string().max(12) }))
      .max(TABLE_MAX_COLUMNS),
    values: z
      .array(
        z.strictObject({
          name: typedText(120),
          kind: z.enum(['torque', 'text']),
          unit: torqueUnitSchema.nullable(),
        }),
      )
      .max(TABLE_MAX_COLUMNS),
    rows: z
      .array(
        z.strictObject({
          keys: z.array(cellSchema).max(TABLE_MAX_COLUMNS),
          values: z.array(cellSchema).max(TABLE_MAX_COLUMNS),
          note: z.string().max(300),
        }),
      )
      .max(TABLE_MAX_ROWS),
    footnote: z.string().max(1000),
    madeForMaterial: z.string().trim().max(80),
    mayInterpolate: z.boolean(),
  })
  .meta({ id: 'LookupTable' }) satisfies z.ZodType<LookupTable>;
