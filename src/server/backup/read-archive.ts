import { createHash } from 'node:crypto';
import { createReadStream } from 'node:fs';
import { createGunzip } from 'node:zlib';
import { isSignatureOf } from '#core/ledger/signature.ts';
import { accepted, type Result, refused } from '#core/result.ts';
import {
  type End,
  endSchema,
  type Heading,
  headingSchema,
  KEPT_TABLES,
  type Section,
  sectionSchema,
  signedPart,
  WITNESS_SECTION,
} from './archive-form.ts';

/** Longest line: an attachment in base64, with room to spare. */
const LINE_MAX_BYTES = 64_000_000;

/** Why an archive is not restored. */
export type ArchiveRefusal =
  | { readonly code: 'not-an-archive' }
  | { readonly code: 'archive-newer'; readonly migration: string }
  | { readonly code: 'archive-cut'; readonly line: number }
  | {
      readonly code: 'archive-altered';
      readonly line: number;
      readonly why: 'form' | 'hash' | 'counts' | 'signature';
    };

/** A line of an archive as it is read. */
export type ArchiveLine =
  | { readonly kind: 'heading'; readonly heading: Heading }
  | { readonly kind: 'section'; readonly section: Section }
  | { readonly kind: 'row'; readonly section: Section; readonly row: readonly unknown[] }
  | { readonly kind: 'end'; readonly end: End };

/** The lines of a gzipped file, without their ends. A file that stops in the middle of its packing throws. */
const textLines = async function* (path: string): AsyncGenerator<Buffer> {
  const file = createReadStream(path);
  const gunzip = file.pipe(createGunzip());
  // An error of the file would otherwise leave whoever reads waiting for ever.
  file.once('error', (error) => gunzip.destroy(error));
  let rest: Buffer[] = [];
  let size = 0;
  try {
    for await (const chunk of gunzip as AsyncIterable<Buffer>) {
      let from = 0;
      for (let stop = chunk.indexOf(10); stop >= 0; stop = chunk.indexOf(10, from)) {
        rest.push(chunk.subarray(from, stop));
        yield Buffer.concat(rest);
        rest = [];
        size = 0;
        from = stop + 1;
      }
      rest.push(chunk.subarray(from));
      size += chunk.length - from;
      if (size > LINE_MAX_BYTES) throw new Error('a line is too long');
    }
    if (size > 0) throw new Error('the last line has no end');
  } finally {
    file.destroy();
  }
};

const parsed = (text: Buffer): unknown => {
  try {
    return JSON.parse(text.toString('utf8'));
  } catch {
    return undefined;
  }
};

const lineOf = (value: unknown, section: Section | null): ArchiveLine | null => {
  if (Array.isArray(value))
    return section && value.length === section.columns.length ? { kind: 'row', section, row: value } : null;
  const asSection = sectionSchema.safeParse(value);
  if (asSection.success) return { kind: 'section', section: asSection.data };
  const asEnd = endSchema.safeParse(value);
  return asEnd.success ? { kind: 'end', end: asEnd.data } : null;
};

/** The lines of an archive that was checked. Throws: for a file that changed since. */
export const archiveLines = async function* (path: string): AsyncGenerator<ArchiveLine> {
  let section: Section | null = null;
  let isFirst = true;
  for await (const text of textLines(path)) {
    const value = parsed(text);
    if (isFirst) {
      isFirst = false;
      yield { kind: 'heading', heading: headingSchema.parse(value) };
      continue;
    }
    const line = lineOf(value, section);
    if (!line) throw new Error('the archive changed while it was read');
    if (line.kind === 'section') section = line.section;
    yield line;
  }
};

const KNOWN_SECTIONS: ReadonlySet<string> = new Set([...KEPT_TABLES, WITNESS_SECTION]);

const isSame = (a: Readonly<Record<string, number>>, b: Readonly<Record<string, number>>): boolean =>
  Object.keys({ ...a, ...b }).every((name) => a[name] === b[name]);

/** What an archive holds, every byte of it looked at and nothing written. Refuses: every code of ArchiveRefusal. */
export const checkedArchive = async (
  path: string,
  knownMigrations: ReadonlySet<string>,
): Promise<Result<{ readonly heading: Heading; readonly end: End }, ArchiveRefusal>> => {
  const hash = createHash('sha256');
  const rows: Record<string, number> = {};
  let heading: Heading | null = null;
  let section: Section | null = null;
  let end: End | null = null;
  let lines = 0;
  try {
    for await (const text of textLines(path)) {
      if (end) return refused({ code: 'archive-altered', line: lines + 2, why: 'form' });
      const value = parsed(text);
      if (!heading) {
        const found = headingSchema.safeParse(value);
        if (!found.success) return refused({ code: 'not-an-archive' });
        heading = found.data;
      } else {
        const line = lineOf(value, section);
        const isKnown = line?.kind !== 'section' || KNOWN_SECTIONS.has(line.section.section);
        if (!line || !isKnown) return refused({ code: 'archive-altered', line: lines + 1, why: 'form' });
        if (line.kind === 'end') {
          end = line.end;
          continue;
        }
        if (line.kind === 'section') section = line.section;
        const name = section?.section ?? '';
        rows[name] = (rows[name] ?? 0) + (line.kind === 'row' ? 1 : 0);
      }
      hash.update(text).update('\n');
      lines += 1;
    }
  } catch {
    return refused(heading ? { code: 'archive-cut', line: lines + 1 } : { code: 'not-an-archive' });
  }
  if (!heading) return refused({ code: 'not-an-archive' });
  if (!end) return refused({ code: 'archive-cut', line: lines + 1 });
  const altered = (why: 'hash' | 'counts' | 'signature'): Result<never, ArchiveRefusal> =>
    refused({ code: 'archive-altered', line: lines + 1, why });
  if (hash.digest('hex') !== end.sha256) return altered('hash');
  if (end.lines !== lines || !isSame(end.rows, rows)) return altered('counts');
  if (!isSignatureOf(signedPart(end), end.signature, heading.publicKey)) return altered('signature');
  const newer = heading.migrations.find((migration) => !knownMigrations.has(migration));
  return newer ? refused({ code: 'archive-newer', migration: newer }) : accepted({ heading, end });
};
