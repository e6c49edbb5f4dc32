import { createReadStream, mkdirSync, readdirSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { accepted, type Result, refused } from '#core/result.ts';
import type { BackupLine, KeptBackup } from '#wire/api-keeping.ts';
import type { Problem } from '#wire/problems/problem.ts';
import type { Asker } from '../asker.ts';
import { writeArchive } from '../backup/write-archive.ts';
import { now } from './clock.ts';

// Backups that a lead makes from the page lie in the folder that JENTIK_BACKUPS names.

const NAME = /^jentik-(\d{4}-\d\d-\d\d)T(\d\d)(\d\d)(\d\d)\.jsonl\.gz$/;
/** So many stay; an older one is taken away when another is made. */
export const BACKUPS_KEPT = 10;

const folder = (): string | null => process.env['JENTIK_BACKUPS'] || null;

const madeAtOf = (name: string): string | null => {
  const [, day, hour, minute, second] = NAME.exec(name) ?? [];
  return day ? `${day}T${hour}:${minute}:${second}.000Z` : null;
};

/** The backups that were made from the page, the newest first. */
export const keptBackups = (): readonly KeptBackup[] => {
  const place = folder();
  const names = place && statSync(place, { throwIfNoEntry: false }) ? readdirSync(place) : [];
  return names
    .flatMap((name): readonly KeptBackup[] => {
      const madeAt = madeAtOf(name);
      return madeAt ? [{ name, madeAt, bytes: statSync(join(place ?? '', name)).size }] : [];
    })
    .sort((a, b) => b.name.localeCompare(a.name));
};

let isMaking = false;

const making = async function* (place: string, by: Asker): AsyncGenerator<BackupLine> {
  isMaking = true;
  try {
    const name = `jentik-${now().slice(0, 19).replaceAll(':', '')}.jsonl.gz`;
    for await (const { done, total } of writeArchive(join(place, name), by))
      yield { kind: 'progress', done, total };
    for (const old of keptBackups().slice(BACKUPS_KEPT)) rmSync(join(place, old.name), { force: true });
    const backup = keptBackups().find((each) => each.name === name);
    if (backup) yield { kind: 'made', backup };
  } finally {
    isMaking = false;
  }
};

/** Makes a backup, one at a time. Refuses: backup-runs, no-room-for-backups. */
export const backUp = (by: Asker): Result<AsyncGenerator<BackupLine>, Problem> => {
  const place = folder();
  if (isMaking) return refused({ code: 'backup-runs' });
  if (!place) return refused({ code: 'no-room-for-backups' });
  try {
    mkdirSync(place, { recursive: true, mode: 0o700 });
  } catch {
    return refused({ code: 'no-room-for-backups' });
  }
  return accepted(making(place, by));
};

/** A backup as it is sent. Refuses: not-found. */
export const backupFile = (
  name: string,
): Result<
  { readonly name: string; readonly bytes: number; readonly stream: ReadableStream<Uint8Array> },
  Problem
> => {
  const kept = keptBackups().find((each) => each.name === name);
  const place = folder();
  if (!kept || !place) return refused({ code: 'not-found', what: 'backup' });
  const stream = Readable.toWeb(createReadStream(join(place, kept.name))) as ReadableStream<Uint8Array>;
  return accepted({ name: kept.name, bytes: kept.bytes, stream });
};
