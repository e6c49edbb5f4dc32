import { randomInt } from 'node:crypto';
import { everyone } from '#server/services/read-site.ts';

// No letter or digit that is taken for another.
const LETTERS = '23456789ABCDEFGHJKMNPQRSTUVWXYZ';
const GROUPS = 3;
const GROUP_LENGTH = 4;

const group = (): string =>
  Array.from({ length: GROUP_LENGTH }, () => LETTERS[randomInt(LETTERS.length)]).join('');

/** A code for whoever begins an empty site, "7KQ2-…"; null for one that has people. */
export const setupCode = async (): Promise<string | null> =>
  (await everyone()).length > 0 ? null : Array.from({ length: GROUPS }, group).join('-');
