import { statSync } from 'node:fs';
import { afterLine, nothingWitnessed, type Witnessed, type WitnessProblem } from '#core/ledger/witness.ts';
import { nodeSha256 } from '../append/node-sha256.ts';
import { siteKeys } from './key-file.ts';
import { eachLine, witnessPath } from './witness-file.ts';

/** The whole witness file, every line and signature checked. */
export type WitnessRead = {
  readonly witnessed: Witnessed;
  readonly lines: number;
  /** The hash of each line. */
  readonly hashes: readonly string[];
  /** The hash of the first line; empty for an empty file. */
  readonly first: string;
  readonly broken: { readonly line: number; readonly problem: WitnessProblem } | null;
};

/** Reads the witness file from its first line up to the first that can't be believed. */
export const witnessFromStart = (): WitnessRead => {
  const path = witnessPath();
  const keys = siteKeys();
  const hashes: string[] = [];
  let witnessed = nothingWitnessed();
  let broken: WitnessRead['broken'] = null;
  if (path && statSync(path, { throwIfNoEntry: false }))
    eachLine(path, 0, (text) => {
      const next = afterLine(witnessed, text, keys, nodeSha256);
      if (typeof next === 'string') broken = { line: hashes.length + 1, problem: next };
      else {
        witnessed = next;
        hashes.push(next.last);
      }
      return broken === null;
    });
  return { witnessed, lines: hashes.length, hashes, first: witnessed.first, broken };
};
