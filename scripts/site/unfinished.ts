import { existsSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { writeWhole } from '#server/whole-file.ts';

// A site that is filled (the demo) or restored is marked until that is done: one whose making was ended in the middle is made anew, for nobody has
// worked in it yet.

const MARK = 'unfinished';
const MADE = ['data', 'data-in-the-making', 'sealing-keys.json', 'witness.ndjson', MARK];

/** Marks a site as not yet whole. */
export const markUnfinished = (home: string): void => writeWhole(join(home, MARK), '');

/** Takes the mark away. */
export const unmarkUnfinished = (home: string): void => rmSync(join(home, MARK), { force: true });

/** Clears away a site that was left in the middle of its making. */
export const clearUnfinished = (home: string): void => {
  if (!existsSync(join(home, MARK))) return;
  console.error('The last start was ended before everything was there; it is made anew.');
  for (const name of MADE) rmSync(join(home, name), { recursive: true, force: true });
};
