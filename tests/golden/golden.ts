import { readdirSync, readFileSync } from 'node:fs';
import { gunzipSync } from 'node:zlib';
import { inProject } from '../../scripts/site/paths.ts';

/** The fingerprint of the key that sealed every golden record: RFC 8032, 7.1, test 1. */
export const GOLDEN_KEY = '9d61b19deffd5a60ba844af492ec2cc44449c5697b326919703bac031cae7f60';

/** The golden records of a version, as they were written by the code of their time. */
export const goldenRecords = (
  version: number,
): readonly { readonly name: string; readonly text: string }[] => {
  const folder = inProject('tests', 'golden', `version-${version}`, 'records');
  return readdirSync(folder)
    .sort()
    .map((name) => ({ name, text: readFileSync(`${folder}/${name}`, 'utf8') }));
};

/** A golden file that is kept packed. */
export const unpacked = (version: number, name: string): string =>
  gunzipSync(readFileSync(inProject('tests', 'golden', `version-${version}`, name))).toString('utf8');
