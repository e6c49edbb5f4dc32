import type { RowDataPacket } from 'mysql2';
import type { BookReference } from '#core/spec/book/book-reference.ts';
import type { JobView } from '#core/view/job-view.ts';
import { type DependentJob, dependentJobSchema } from '#wire/book.ts';
import { jobNumberText } from '#wire/job-summary.ts';
import type { Connection } from '../database/pool.ts';

type Counted = { readonly book: BookReference; fasteners: number };

const referencesOf = (state: JobView): readonly Counted[] => {
  const counted = new Map<string, Counted>();
  for (const { planned } of state.fasteners) {
    const { book } = planned.requirement;
    if (!book) continue;
    const key = `${book.kind} ${book.id} ${book.revision}`;
    const known = counted.get(key) ?? { book, fasteners: 0 };
    known.fasteners += 1;
    counted.set(key, known);
  }
  return [...counted.values()];
};

/** Writes down what a job rests on, in place of what it rested on before. */
export const replaceJobReferences = async (db: Connection, state: JobView): Promise<void> => {
  await db.execute('DELETE FROM job_references WHERE job_id = :job', { job: state.job });
  const rows = referencesOf(state).map(({ book, fasteners }) => [
    state.job,
    book.kind,
    book.id,
    book.revision,
    book.sourceId,
    fasteners,
  ]);
  if (rows.length === 0) return;
  await db.query(
    `
    INSERT INTO job_references (job_id, ref_kind, ref_id, revision, source_id, fasteners)
    VALUES :rows`,
    { rows },
  );
};

/** Takes out what every job rests on, before it is written down again from the events. */
export const clearJobReferences = async (db: Connection): Promise<void> => {
  await db.execute('DELETE FROM job_references');
};

/** Jobs that rest on a requirement, a table or anything of a source; open ones first. */
export const selectDependentJobs = async (
  db: Connection,
  on: { readonly refId: string } | { readonly sourceId: string },
): Promise<readonly DependentJob[]> => {
  const [rows] = await db.execute<RowDataPacket[]>(
    `
    SELECT jobs.id,
           jobs.number,
           jobs.title,
           jobs.stage,
           job_references.revision,
           job_references.ref_id,
           job_references.fasteners
      FROM job_references
      JOIN jobs ON jobs.id = job_references.job_id
     WHERE job_references.ref_id = :refId
        OR job_references.source_id = :sourceId
     ORDER BY jobs.stage IN ('done', 'inspected'), jobs.number DESC`,
    { refId: 'refId' in on ? on.refId : '', sourceId: 'sourceId' in on ? on.sourceId : '' },
  );
  return rows.map((row) =>
    dependentJobSchema.parse({
      id: row['id'],
      number: jobNumberText(row['number']),
      title: row['title'],
      isOpen: row['stage'] !== 'done' && row['stage'] !== 'inspected',
      revision: row['revision'],
      refId: row['ref_id'],
      fasteners: row['fasteners'],
    }),
  );
};
