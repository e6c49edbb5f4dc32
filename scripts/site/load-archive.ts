import type { Connection } from 'mysql2/promise';
import { KEPT_TABLES, type Section, WITNESS_SECTION } from '#server/backup/archive-form.ts';
import { archiveLines } from '#server/backup/read-archive.ts';

const BATCH_ROWS = 500;
const BATCH_CHARACTERS = 4_000_000;

type Batch = { section: Section; rows: unknown[][]; size: number };

const readValue = (value: unknown, isBytes: boolean): unknown =>
  isBytes && typeof value === 'string' ? Buffer.from(value, 'base64') : value;

const put = async (db: Connection, { section, rows }: Batch): Promise<void> => {
  if (rows.length === 0) return;
  await db.query('INSERT INTO ?? (??) VALUES ?', [section.section, [...section.columns], rows]);
};

/** Writes the rows of a checked archive into tables that are empty but for what migrations put there. Answers the lines of its witness file. */
export const loadArchive = async (
  db: Connection,
  path: string,
  onRows: (done: number) => void,
): Promise<readonly string[]> => {
  const witness: string[] = [];
  let batch: Batch | null = null;
  let done = 0;
  await db.query('SET SESSION FOREIGN_KEY_CHECKS = 0');
  // Ids that count by themselves are restored as they were, zero among them.
  await db.query("SET SESSION sql_mode = CONCAT(@@sql_mode, ',NO_AUTO_VALUE_ON_ZERO')");
  for (const table of KEPT_TABLES) await db.query('DELETE FROM ??', [table]).catch(ignoreMissing);
  for await (const line of archiveLines(path)) {
    if (line.kind === 'section') {
      if (batch) await put(db, batch);
      batch = { section: line.section, rows: [], size: 0 };
    }
    if (line.kind !== 'row' || !batch) continue;
    done += 1;
    if (line.section.section === WITNESS_SECTION) {
      witness.push(String(line.row[0]));
      continue;
    }
    const { columns, bytes } = line.section;
    batch.rows.push(line.row.map((value, at) => readValue(value, bytes.includes(columns[at] ?? ''))));
    batch.size += JSON.stringify(line.row).length;
    if (batch.rows.length < BATCH_ROWS && batch.size < BATCH_CHARACTERS) continue;
    await put(db, batch);
    batch = { section: batch.section, rows: [], size: 0 };
    onRows(done);
  }
  if (batch && batch.section.section !== WITNESS_SECTION) await put(db, batch);
  await db.query('SET SESSION FOREIGN_KEY_CHECKS = 1');
  return witness;
};

const NO_SUCH_TABLE = 1146;

// A backup of an older form is loaded into tables of that form, where a later one is not there yet.
const ignoreMissing = (error: unknown): void => {
  if ((error as { errno?: number }).errno !== NO_SUCH_TABLE) throw error;
};
