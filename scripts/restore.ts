import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { keyFingerprint } from '#core/ledger/seal.ts';
import { typedFingerprint } from '#core/ledger/verify-record.ts';
import { type ArchiveRefusal, checkedArchive } from '#server/backup/read-archive.ts';
import { database } from '#server/database/pool.ts';
import { insertLogEntry, THE_SITE } from '#server/queries/site-log.ts';
import { checkLedger } from '#server/sealing/check-ledger.ts';
import { ensureKeyFile } from '#server/sealing/key-file.ts';
import { writeWhole } from '#server/whole-file.ts';
import { checkedWords, ledgerFindingWords } from '#wire/words/ledger.ts';
import { migrationNames } from './site/apply-migrations.ts';
import { loadArchive } from './site/load-archive.ts';
import { openSiteDatabase } from './site/run-site.ts';
import { namedFile, optionOf, siteHome } from './site/site-home.ts';
import { releaseSite, takeSite } from './site/site-lock.ts';
import { clearUnfinished, markUnfinished, unmarkUnfinished } from './site/unfinished.ts';

// `npm run restore -- FILE [--key FINGERPRINT] [--demo | --folder FOLDER]`: a backup into an empty site. The whole file is checked before anything is written, and the
// whole ledger afterwards.

const USAGE = 'Usage: npm run restore -- FILE [--key xxxx-xxxx-xxxx-xxxx] [--demo | --folder FOLDER]';

const refusalWords = (refusal: ArchiveRefusal): string => {
  switch (refusal.code) {
    case 'not-an-archive':
      return 'it is no backup of Jentik.';
    case 'archive-newer':
      return `it is of a newer Jentik than this one (${refusal.migration}). Bring this one up to date first.`;
    case 'archive-cut':
      return `it is cut: it ends at line ${refusal.line}.`;
    case 'archive-altered':
      return `it was altered (${refusal.why}, found at line ${refusal.line}).`;
  }
};

const end = (words: string, code = 1): never => {
  console.error(words);
  process.exit(code);
};

const args = process.argv.slice(2);
const home = siteHome(args);
const file = namedFile(args);
if (!file || !existsSync(file)) end(`${file ? `There is no ${file}.\n` : ''}${USAGE}`, 2);
const path = file as string;
const archive = await checkedArchive(path, new Set(migrationNames()));
if (!archive.ok) end(`Nothing was written. ${path} can’t be restored: ${refusalWords(archive.refusal)}`);
const { heading, end: archiveEnd } = (archive as Extract<typeof archive, { ok: true }>).value;
const found = keyFingerprint(heading.publicKey);
const key = optionOf(args, '--key');
if (key !== null && typedFingerprint(key) !== found)
  end(`Nothing was written. The backup is signed by key ${found}, not by the one you named.`);

const running = await takeSite(home);
if (running) end(`Nothing was written. A site runs in ${home}: restore into an empty one.`);
clearUnfinished(home);
if (existsSync(join(home, 'data')) || existsSync(join(home, 'sealing-keys.json'))) {
  releaseSite(home);
  end(
    `Nothing was written. ${home} holds a site already: restore into an empty one, such as --folder ANOTHER.`,
  );
}
console.error(`Restoring ${heading.site} as it stood at ${heading.madeAt}, signed by key ${found} …`);
const total = Object.values(archiveEnd.rows).reduce((sum, count) => sum + count, 0);
markUnfinished(home);
ensureKeyFile(join(home, 'sealing-keys.json'), new Date().toISOString(), {
  privateKey: null,
  former: heading.keys,
});
let saidAt = Date.now();
const site = await openSiteDatabase(home, heading.site, {
  upTo: heading.migrations.at(-1) as string,
  load: async (db) => {
    const witness = await loadArchive(db, path, (done) => {
      if (Date.now() - saidAt < 2_000) return;
      saidAt = Date.now();
      console.error(`${done} of ${total} …`);
    });
    writeWhole(join(home, 'witness.ndjson'), witness.map((line) => `${line}\n`).join(''));
  },
});
let isWhole = true;
try {
  const { sha256 } = archiveEnd;
  const body = { madeAt: heading.madeAt, sha256 };
  const at = new Date().toISOString();
  await insertLogEntry(database(), { at, by: THE_SITE, kind: 'restored', subject: 'site', why: '', body });
  for await (const line of checkLedger()) {
    if (line.kind === 'finding') console.error(`FOUND: ${ledgerFindingWords(line.finding)}`);
    if (line.kind !== 'checked') continue;
    isWhole = line.check.found === 0;
    console.log(checkedWords(line.check));
  }
} finally {
  await site.stop();
}
unmarkUnfinished(home);
releaseSite(home);
console.log(
  isWhole
    ? 'Restored: every ledger is as it was, with the same hashes. The site seals with a new key from now on.'
    : 'Restored as it was in the backup, with what was found above.',
);
process.exit(isWhole ? 0 : 1);
