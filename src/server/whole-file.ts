import { closeSync, fsyncSync, openSync, renameSync, rmSync, writeFileSync } from 'node:fs';

/** Writes a small file so that it is there whole or not at all, whenever the process is killed and however full the disk is.
 *  Throws: what the system answers, with the file that was there left as it was. */
export const writeWhole = (path: string, text: string): void => {
  const beside = `${path}.${process.pid}.new`;
  const file = openSync(beside, 'w', 0o600);
  try {
    // All of it or an error: a single write to a disk that is filling up writes a part and says nothing.
    writeFileSync(file, text);
    fsyncSync(file);
  } catch (error) {
    rmSync(beside, { force: true });
    throw error;
  } finally {
    closeSync(file);
  }
  renameSync(beside, path);
};
