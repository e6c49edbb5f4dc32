import { closeSync, fsyncSync, ftruncateSync, openSync, readSync, statSync, writeFileSync } from 'node:fs';
import type { ChainHead } from '#core/ledger/hash-chain.ts';
import { afterLine, nothingWitnessed, type Witnessed, type WitnessProblem } from '#core/ledger/witness.ts';
import { nodeSha256 } from '../append/node-sha256.ts';

// The witness file: one line of JSON for each time the heads were signed, outside the database and only ever added to.

const CHUNK_BYTES = 1_000_000;

/** Where the witness file lies: JENTIK_WITNESS; null where nothing is witnessed. */
export const witnessPath = (): string | null => process.env['JENTIK_WITNESS'] || null;

type Read = {
  readonly inode: number;
  /** Bytes up to the end of the last whole line. */
  readonly end: number;
  readonly witnessed: Witnessed;
  readonly broken: { readonly line: number; readonly problem: WitnessProblem } | null;
};

/** Calls back with each whole line of a file from a byte on, and answers the byte after the last. A last line without its end was being written when
 *  the process died, and is no line. */
export const eachLine = (path: string, from: number, onLine: (text: string) => boolean): number => {
  const file = openSync(path, 'r');
  try {
    const chunk = Buffer.alloc(CHUNK_BYTES);
    let rest = Buffer.alloc(0);
    let end = from;
    for (let at = from; ; ) {
      const read = readSync(file, chunk, 0, CHUNK_BYTES, at);
      if (read === 0) return end;
      at += read;
      rest = Buffer.concat([rest, chunk.subarray(0, read)]);
      for (let stop = rest.indexOf(10); stop >= 0; stop = rest.indexOf(10)) {
        if (!onLine(rest.subarray(0, stop).toString('utf8'))) return end;
        end += stop + 1;
        rest = rest.subarray(stop + 1);
      }
    }
  } finally {
    closeSync(file);
  }
};

const before = (inode: number): Read => ({ inode, end: 0, witnessed: nothingWitnessed(), broken: null });

let remembered: { readonly path: string; readonly read: Read } | null = null;

/** What the file witnesses now, signatures not looked at; only what came since is read. */
export const readWitness = (): Read => {
  const path = witnessPath();
  const { ino, size } = (path && statSync(path, { throwIfNoEntry: false })) || { ino: 0, size: 0 };
  if (!path || size === 0) return before(ino);
  const known = remembered?.path === path ? remembered.read : null;
  let read = known && known.inode === ino && known.end <= size ? known : before(ino);
  if (read.end === size || read.broken) return read;
  let { witnessed } = read;
  let broken: Read['broken'] = null;
  const end = eachLine(path, read.end, (text) => {
    const next = afterLine(witnessed, text, null, nodeSha256);
    if (typeof next === 'string') broken = { line: witnessed.line + 1, problem: next };
    else witnessed = next;
    return broken === null;
  });
  read = { inode: ino, end, witnessed, broken };
  remembered = { path, read };
  return read;
};

/** The head of a job as it was witnessed last; null where it never was. */
export const witnessedHead = (jobId: string): ChainHead | null =>
  readWitness().witnessed.jobs.get(jobId) ?? null;

/** Adds a line, on disk before this returns. What a killed process left of one is cut off first.
 *  Throws: what the system answers, as of a full disk, with the file as it was. */
export const appendWitness = (path: string, text: string): void => {
  const { end } = readWitness();
  const file = openSync(path, 'a', 0o600);
  try {
    ftruncateSync(file, end);
    try {
      // All of it or an error: a single write to a disk that is filling up writes a part and says nothing.
      writeFileSync(file, `${text}\n`);
      fsyncSync(file);
    } catch (error) {
      ftruncateSync(file, end);
      throw error;
    }
  } finally {
    closeSync(file);
  }
};
