import { spawnSync } from 'node:child_process';
import { chmodSync, chownSync, existsSync, mkdirSync, renameSync, rmSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';

const isPassable = (folder: string): boolean => {
  const isOpen = (statSync(folder).mode & 0o001) !== 0;
  return isOpen && (dirname(folder) === folder || isPassable(dirname(folder)));
};

/** The system account MariaDB runs under: its own when root starts it and that account can reach the folder, else whoever starts it. */
export type SystemUser = { readonly name: string; readonly uid: number; readonly gid: number } | null;

export const systemUser = (folder: string): SystemUser => {
  if (process.getuid?.() !== 0) return null;
  const id = (flag: string): number => Number(spawnSync('id', [flag, 'mysql'], { encoding: 'utf8' }).stdout);
  // A clone inside a private home folder can't be entered by another account; the server then keeps the account that owns the folder.
  return isPassable(dirname(folder))
    ? { name: 'mysql', uid: id('-u'), gid: id('-g') }
    : { name: 'root', uid: 0, gid: 0 };
};

/** A folder of data for MariaDB: the one that is there, or a new one. It is made beside its place and moved there once it is whole, so that a start that was
 *  ended in the middle leaves none that looks whole. */
export const ensureDataFolder = (folder: string, user: SystemUser): string => {
  const data = join(folder, 'data');
  if (existsSync(join(data, 'mysql'))) return data;
  const made = join(folder, 'data-in-the-making');
  rmSync(made, { recursive: true, force: true });
  // Nothing was ever kept in one that has no system tables; one that has the site's own is not for this command to judge.
  if (existsSync(join(data, 'jentik')))
    throw new Error(
      `${data} lacks MariaDB's own tables. Restore a backup into another folder, and keep this one.`,
    );
  rmSync(data, { recursive: true, force: true });
  mkdirSync(made, { mode: 0o700 });
  chmodSync(made, 0o700);
  if (user) chownSync(made, user.uid, user.gid);
  const install = spawnSync(
    'mariadb-install-db',
    [
      '--no-defaults',
      ...(user ? [`--user=${user.name}`] : []),
      // By another name for where we are: the program is a shell script, to which an apostrophe in a path is one of its own.
      '--datadir=.',
      '--auth-root-authentication-method=socket',
      '--skip-test-db',
      '--skip-name-resolve',
    ],
    { encoding: 'utf8', cwd: made },
  );
  if (install.status !== 0) {
    rmSync(made, { recursive: true, force: true });
    throw new Error(`mariadb-install-db failed: ${install.stdout}${install.stderr}`);
  }
  renameSync(made, data);
  return data;
};
