import { createHash } from 'node:crypto';
import { once } from 'node:events';
import { createWriteStream, renameSync, rmSync } from 'node:fs';
import { createGzip } from 'node:zlib';
import type { Connection as DriverConnection } from 'mysql2';
import { sealingPublicKey, signatureOf } from '#core/ledger/signature.ts';
import type { Asker } from '../asker.ts';
import { database, ownConnection } from '../database/pool.ts';
import { selectSite } from '../queries/site.ts';
import { insertLogEntry } from '../queries/site-log.ts';
import { countRows, selectColumns, selectMigrations } from '../queries/whole-tables.ts';
import { readKeyFile } from '../sealing/key-file.ts';
import { eachLine, witnessPath } from '../sealing/witness-file.ts';
import { now } from '../services/clock.ts';
import {
  ARCHIVE,
  ARCHIVE_VERSION,
  type Heading,
  KEPT_TABLES,
  type Section,
  signedPart,
  WITNESS_SECTION,
} from './archive-form.ts';

/** How far a backup is, in rows. */
export type BackupProgress = { readonly done: number; readonly total: number };

/** An archive that was made. */
export type MadeArchive = {
  readonly path: string;
  readonly rows: number;
  readonly sha256: string;
  readonly madeAt: string;
};

const ROWS_BETWEEN_NEWS = 1_000;

const witnessLines = (): readonly string[] => {
  const path = witnessPath();
  const lines: string[] = [];
  if (!path) return lines;
  try {
    eachLine(path, 0, (line) => lines.push(line) > 0);
  } catch {
    // Nothing was witnessed yet.
  }
  return lines;
};

type Writer = {
  readonly add: (line: unknown) => Promise<void>;
  readonly end: (privateKey: string) => Promise<string>;
};

/** Writes lines to a gzipped file beside its place, and puts it there once it is whole and on disk. */
const writerTo = (path: string): Writer & { readonly giveUp: () => void } => {
  const beside = `${path}.part`;
  const file = createWriteStream(beside, { mode: 0o600, flush: true });
  const gzip = createGzip();
  gzip.pipe(file);
  const failed = new Promise<never>((_, reject) => {
    file.once('error', reject);
    gzip.once('error', reject);
  });
  failed.catch(() => {});
  const hash = createHash('sha256');
  const rows: Record<string, number> = {};
  let lines = 0;
  let section = '';
  const put = async (text: string): Promise<void> => {
    if (!gzip.write(text)) await Promise.race([once(gzip, 'drain'), failed]);
  };
  return {
    add: async (line) => {
      const text = `${JSON.stringify(line)}\n`;
      hash.update(text);
      lines += 1;
      if (Array.isArray(line)) rows[section] = (rows[section] ?? 0) + 1;
      else section = (line as Partial<Section>).section ?? '';
      if (section !== '') rows[section] ??= 0;
      await put(text);
    },
    end: async (privateKey) => {
      const sha256 = hash.digest('hex');
      const part = { lines, rows, sha256 };
      await put(
        `${JSON.stringify({ end: true, ...part, signature: signatureOf(signedPart(part), privateKey) })}\n`,
      );
      gzip.end();
      await Promise.race([once(file, 'close'), failed]);
      renameSync(beside, path);
      return sha256;
    },
    giveUp: () => {
      gzip.destroy();
      file.destroy();
      rmSync(beside, { force: true });
    },
  };
};

const asWritten = (row: Readonly<Record<string, unknown>>, { columns, bytes }: Section): readonly unknown[] =>
  columns.map((name) => {
    const value = row[name];
    return bytes.includes(name) && value !== null ? (value as Buffer).toString('base64') : value;
  });

const writeTable = async function* (
  driver: DriverConnection,
  section: Section,
  writer: Writer,
): AsyncGenerator<number> {
  await writer.add(section);
  // Row by row, as the database sends them: a ledger of any size takes the memory of a few rows.
  const rows = driver.query({ sql: 'SELECT ?? FROM ?? ORDER BY 1, 2', namedPlaceholders: false } as never, [
    section.columns,
    section.section,
  ]);
  let since = 0;
  for await (const row of rows.stream({ highWaterMark: 100 })) {
    await writer.add(asWritten(row, section));
    since += 1;
    if (since < ROWS_BETWEEN_NEWS) continue;
    yield since;
    since = 0;
  }
  yield since;
};

/** Writes everything that the site keeps as it stands at one instant, while people go on working; at the end the file is there whole, or not at all. Yields how
 *  far it is. */
export const writeArchive = async function* (
  path: string,
  by: Pick<Asker, 'id' | 'name'>,
): AsyncGenerator<BackupProgress, MadeArchive> {
  // The witness before the instant, so that it speaks of nothing that is not in the backup.
  const witness = witnessLines();
  const { keys, privateKey } = readKeyFile();
  const madeAt = now();
  const { name: site } = await selectSite(database());
  const driver = ownConnection();
  const connection = driver.promise();
  const writer = writerTo(path);
  try {
    await connection.query('SET TRANSACTION ISOLATION LEVEL REPEATABLE READ');
    await connection.query('START TRANSACTION WITH CONSISTENT SNAPSHOT, READ ONLY');
    // A backup of a large site takes longer than any other statement may.
    await connection.query('SET SESSION max_statement_time = 0');
    const migrations = await selectMigrations(connection);
    const heading: Heading = {
      archive: ARCHIVE,
      version: ARCHIVE_VERSION,
      site,
      madeAt,
      migrations: [...migrations],
      keys: [...keys],
      publicKey: sealingPublicKey(privateKey),
    };
    await writer.add(heading);
    let total = witness.length;
    for (const table of KEPT_TABLES) total += await countRows(connection, table);
    let done = 0;
    yield { done, total };
    for (const table of KEPT_TABLES) {
      const section = await selectColumns(connection, table);
      for await (const rows of writeTable(driver, section, writer)) {
        done += rows;
        yield { done, total };
      }
    }
    await writer.add({ section: WITNESS_SECTION, columns: ['line'], bytes: [] } satisfies Section);
    for (const line of witness) await writer.add([line]);
    const sha256 = await writer.end(privateKey);
    const entry = { at: now(), by, kind: 'backed-up', subject: 'site', why: '' } as const;
    await insertLogEntry(database(), { ...entry, body: { madeAt, rows: total, sha256 } });
    yield { done: total, total };
    return { path, rows: total, sha256, madeAt };
  } catch (error) {
    writer.giveUp();
    throw error;
  } finally {
    driver.destroy();
  }
};
