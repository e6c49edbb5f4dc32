import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

/** The project's root folder. */
export const ROOT = join(dirname(fileURLToPath(import.meta.url)), '..', '..');

/** A path inside the project. */
export const inProject = (...parts: readonly string[]): string => join(ROOT, ...parts);
