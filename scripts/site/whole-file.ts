import { closeSync, fsyncSync, openSync, renameSync, writeSync } from 'node:fs';

/** Writes a small file so that it is there whole or not at all, whenever the process is killed. */
export const writeWhole = (path: string, text: string): void => {
  const beside = `${path}.${process.pid}.new`;
  const file = openSync(beside, 'w', 0o600);
  writeSync(file, text);
  fsyncSync(file);
  closeSync(file);
  renameSync(beside, path);
};
