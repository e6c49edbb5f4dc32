import { randomBytes } from 'node:crypto';
import { chmodSync, existsSync, readFileSync, statSync } from 'node:fs';
import { z } from 'zod';
import { hashSchema } from '#core/bounds.ts';
import { Fault } from '#core/fault.ts';
import { sealingPublicKey } from '#core/ledger/signature.ts';
import { rotatedKeys, type SiteKey, siteKeySchema } from '#core/ledger/site-key.ts';
import { writeWhole } from '../whole-file.ts';

// The site's private key lies in a file that only the site's own system account reads, never in the database: who is root there can't seal in the
// site's name.

const KEY_BYTES = 32;
const EVER = '1970-01-01T00:00:00.000Z';

const keyFileSchema = z.strictObject({
  version: z.literal(1),
  /** The key in use, in hexadecimal. A key that another took the place of is forgotten, its public half stays. */
  privateKey: hashSchema,
  /** From before calendars had a secret for each person (docs/adr/0031): no longer used, and kept so that the file can be read by the version before. */
  calendarSecret: hashSchema.optional(),
  keys: z.array(siteKeySchema).min(1),
});
export type KeyFile = z.infer<typeof keyFileSchema>;

const newSecret = (): string => randomBytes(KEY_BYTES).toString('hex');

/** Where the keys lie: JENTIK_SEALING_KEYS. Throws: Fault when it is not set. */
export const keyFilePath = (): string => {
  const path = process.env['JENTIK_SEALING_KEYS'];
  if (!path) throw new Fault('JENTIK_SEALING_KEYS is not set; start Jentik with npm start or npm run demo');
  return path;
};

const written = (path: string, keys: KeyFile): void => writeWhole(path, `${JSON.stringify(keys, null, 2)}\n`);

let remembered: { readonly path: string; readonly changedMs: number; readonly keys: KeyFile } | null = null;

/** The site's keys as the file holds them now. A file that others may read is closed to them, and that is said.
 *  Throws: Fault when it is missing or not of its form. */
export const readKeyFile = (path = keyFilePath()): KeyFile => {
  const { mtimeMs, mode } = statSync(path, { throwIfNoEntry: false }) ?? {};
  if (mtimeMs === undefined || mode === undefined)
    throw new Fault(`the sealing keys are missing: ${path}. Put the file back from where you keep it.`);
  if ((mode & 0o077) !== 0) {
    chmodSync(path, 0o600);
    console.error(`${path} could be read by others on this machine; it is closed to them now.`);
  }
  if (remembered?.path === path && remembered.changedMs === mtimeMs) return remembered.keys;
  let keys: KeyFile;
  try {
    keys = keyFileSchema.parse(JSON.parse(readFileSync(path, 'utf8')));
  } catch (cause) {
    throw new Fault(`the sealing keys can't be read: ${path}. Put the file back from where you keep it.`, {
      cause,
    });
  }
  remembered = { path, changedMs: mtimeMs, keys };
  return keys;
};

/** Makes the file if there is none, and answers whether it did: around a private key the site has had since ever, or a new one. `former` are public keys that it had before,
 *  as after a restore. */
export const ensureKeyFile = (
  path: string,
  at: string,
  had: { readonly privateKey: string | null; readonly former: readonly SiteKey[] } = {
    privateKey: null,
    former: [],
  },
): boolean => {
  if (existsSync(path)) return false;
  const privateKey = had.privateKey ?? newSecret();
  const publicKey = sealingPublicKey(privateKey);
  const keys = had.privateKey
    ? [{ publicKey, from: EVER, until: null }]
    : [...rotatedKeys(had.former, publicKey, at)];
  written(path, { version: 1, privateKey, keys });
  return true;
};

/** Puts a new key in the place of the one in use, from now on. What was sealed before stays valid under the key of its time. */
export const rotateKeyFile = (path: string, at: string): SiteKey => {
  const { privateKey: _, ...kept } = readKeyFile(path);
  const privateKey = newSecret();
  const publicKey = sealingPublicKey(privateKey);
  written(path, { ...kept, privateKey, keys: [...rotatedKeys(kept.keys, publicKey, at)] });
  return { publicKey, from: at, until: null };
};

/** The public halves of all keys of the site, each with its time. */
export const siteKeys = (): readonly SiteKey[] => readKeyFile().keys;
