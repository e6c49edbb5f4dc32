import type { ResultSetHeader, RowDataPacket } from 'mysql2';
import { specKey } from '#core/spec/book/spec-key.ts';
import { type KeptRequirement, keptRequirementSchema } from '#wire/book.ts';
import { instantFromSql, instantToSql } from '../database/instant.ts';
import type { Connection } from '../database/pool.ts';
import { readableRows } from '../database/readable-rows.ts';
import { nextNumber } from './counters.ts';

/** What people call a requirement: R-12. */
export const requirementCode = (number: number): string => `R-${number}`;

const REVISION_COLUMNS = [
  'id',
  'revision',
  'source_id',
  'is_withdrawn',
  'body',
  'why',
  'changed_by',
  'changed_at',
] as const;

/** The columns that make a requirement, of a table that holds them: its number stands with its newest revision. */
const columnsOf = (table: 'book_requirements' | 'heads'): string =>
  ['number', ...REVISION_COLUMNS].map((column) => `${table}.${column}`).join(', ');

const keptOf = (row: RowDataPacket): KeptRequirement =>
  keptRequirementSchema.parse({
    id: row['id'],
    code: requirementCode(row['number']),
    revision: row['revision'],
    sourceId: row['source_id'],
    isWithdrawn: row['is_withdrawn'] === 1,
    changedBy: row['changed_by'],
    changedAt: instantFromSql(row['changed_at']),
    why: row['why'],
    body: JSON.parse(row['body']),
  });

/** Requirements of the book at their newest revision; of one source, or all. */
export const selectRequirements = async (
  db: Connection,
  sourceId: string | null,
): Promise<readonly KeptRequirement[]> => {
  const [rows] = await db.execute<RowDataPacket[]>(
    `
    SELECT ${columnsOf('book_requirements')}
      FROM book_requirements
     WHERE :sourceId IS NULL
        OR source_id = :sourceId
     ORDER BY number`,
    { sourceId },
  );
  return readableRows('requirement', rows, keptOf);
};

/** The requirements in force that were changed last, at most two hundred: what a screen lists before anyone searches. */
export const selectRecentRequirements = async (db: Connection): Promise<readonly KeptRequirement[]> => {
  const [rows] = await db.execute<RowDataPacket[]>(`
    SELECT ${columnsOf('book_requirements')}
      FROM book_requirements
     WHERE NOT is_withdrawn
     ORDER BY changed_at DESC
     LIMIT 200`);
  return readableRows('requirement', rows, keptOf);
};

/** How many requirements are in force. */
export const countRequirements = async (db: Connection): Promise<number> => {
  const [rows] = await db.execute<RowDataPacket[]>(
    'SELECT COUNT(*) AS count FROM book_requirements WHERE NOT is_withdrawn',
  );
  return Number(rows[0]?.['count'] ?? 0);
};

/** A requirement at its newest revision, by its id or its number; null when there is none. */
export const selectRequirement = async (
  db: Connection,
  by: { readonly id: string } | { readonly number: number },
): Promise<KeptRequirement | null> => {
  const [rows] = await db.execute<RowDataPacket[]>(
    `
    SELECT ${columnsOf('book_requirements')}
      FROM book_requirements
     WHERE id = :id
        OR number = :number`,
    { id: 'id' in by ? by.id : '', number: 'number' in by ? by.number : 0 },
  );
  return rows[0] ? keptOf(rows[0]) : null;
};

/** All revisions of a requirement, the newest first. */
export const selectRequirementRevisions = async (
  db: Connection,
  id: string,
): Promise<readonly KeptRequirement[]> => {
  const [rows] = await db.execute<RowDataPacket[]>(
    `
    SELECT heads.number,
           ${REVISION_COLUMNS.map((column) => `revisions.${column}`).join(', ')}
      FROM book_requirement_revisions AS revisions
      JOIN book_requirements AS heads ON heads.id = revisions.id
     WHERE revisions.id = :id
     ORDER BY revisions.revision DESC`,
    { id },
  );
  return readableRows('requirement', rows, keptOf);
};

/** A requirement at one of its revisions; null when there is none such. */
export const selectRequirementRevision = async (
  db: Connection,
  id: string,
  revision: number,
): Promise<KeptRequirement | null> =>
  (await selectRequirementRevisions(db, id)).find((kept) => kept.revision === revision) ?? null;

/** Requirements in force, their source too, whose print a person had to settle. */
export const selectSettledRequirements = async (db: Connection): Promise<readonly KeptRequirement[]> => {
  const [rows] = await db.execute<RowDataPacket[]>(`
    SELECT ${columnsOf('heads')}
      FROM book_requirements AS heads
      JOIN sources ON sources.id = heads.source_id AND sources.status = 'current'
     WHERE heads.is_settled
       AND NOT heads.is_withdrawn
     ORDER BY heads.number`);
  return readableRows('requirement', rows, keptOf);
};

/** Requirements in force, their source too, that share their key with another one in force. In order of their keys. */
export const selectSharedKeys = async (
  db: Connection,
): Promise<readonly { readonly specKey: string; readonly kept: KeptRequirement }[]> => {
  const [rows] = await db.execute<RowDataPacket[]>(`
    SELECT heads.spec_key,
           ${columnsOf('heads')}
      FROM book_requirements AS heads
      JOIN sources ON sources.id = heads.source_id AND sources.status = 'current'
      JOIN (SELECT inner_heads.spec_key
              FROM book_requirements AS inner_heads
              JOIN sources AS inner_sources
                ON inner_sources.id = inner_heads.source_id AND inner_sources.status = 'current'
             WHERE NOT inner_heads.is_withdrawn
             GROUP BY inner_heads.spec_key
            HAVING COUNT(*) > 1) AS shared ON shared.spec_key = heads.spec_key
     WHERE NOT heads.is_withdrawn
     ORDER BY heads.spec_key, heads.number`);
  return readableRows('requirement', rows, (row) => ({ specKey: row['spec_key'], kept: keptOf(row) }));
};

// Comes after every letter of a term.
const AFTER_ALL = '~';

/** The requirements in force whose part has a name alone, whatever their sizes. `partKey` is the spec key of the part without a size. */
export const selectRequirementsOfPart = async (
  db: Connection,
  partKey: string,
): Promise<readonly KeptRequirement[]> => {
  const [rows] = await db.execute<RowDataPacket[]>(
    `
    SELECT ${columnsOf('heads')}
      FROM book_requirements AS heads
      JOIN sources ON sources.id = heads.source_id AND sources.status = 'current'
     WHERE heads.spec_key BETWEEN :first AND :last
       AND NOT heads.is_withdrawn
     ORDER BY heads.number`,
    { first: `${partKey} `, last: `${partKey} ${AFTER_ALL}` },
  );
  return readableRows('requirement', rows, keptOf);
};

const parameters = (kept: Omit<KeptRequirement, 'code'>) => ({
  id: kept.id,
  revision: kept.revision,
  sourceId: kept.sourceId,
  specKey: specKey(kept.body.part, kept.body.size).slice(0, 400),
  isWithdrawn: kept.isWithdrawn ? 1 : 0,
  body: JSON.stringify(kept.body),
  why: kept.why,
  changedBy: kept.changedBy,
  changedAt: instantToSql(kept.changedAt),
});

const insertRevision = (db: Connection, kept: Omit<KeptRequirement, 'code'>) => {
  const { specKey: _, ...revision } = parameters(kept);
  return db.execute(
    `
    INSERT INTO book_requirement_revisions (id, revision, source_id, is_withdrawn, body, why, changed_by, changed_at)
    VALUES (:id, :revision, :sourceId, :isWithdrawn, :body, :why, :changedBy, :changedAt)`,
    revision,
  );
};

/** Adds a requirement's first revision, and answers its code. */
export const insertRequirement = async (
  db: Connection,
  kept: Omit<KeptRequirement, 'code'>,
): Promise<string> => {
  const number = await nextNumber(db, 'requirement');
  await db.execute(
    `
    INSERT INTO book_requirements (
      id, number, revision, source_id, spec_key, is_withdrawn, body, why, changed_by, changed_at)
    VALUES (
      :id, :number, :revision, :sourceId, :specKey, :isWithdrawn, :body, :why, :changedBy, :changedAt)`,
    { ...parameters(kept), number },
  );
  await insertRevision(db, kept);
  return requirementCode(number);
};

/** Adds a requirement's next revision; false when another came first. */
export const reviseRequirement = async (
  db: Connection,
  kept: Omit<KeptRequirement, 'code'>,
): Promise<boolean> => {
  const [result] = await db.execute<ResultSetHeader>(
    `
    UPDATE book_requirements
       SET revision = :revision,
           source_id = :sourceId,
           spec_key = :specKey,
           is_withdrawn = :isWithdrawn,
           body = :body,
           why = :why,
           changed_by = :changedBy,
           changed_at = :changedAt
     WHERE id = :id
       AND revision = :revision - 1`,
    parameters(kept),
  );
  if (result.affectedRows === 0) return false;
  await insertRevision(db, kept);
  return true;
};
