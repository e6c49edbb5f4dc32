import { existsSync } from 'node:fs';
import { checkLedger } from '#server/sealing/check-ledger.ts';
import type { LedgerCheck } from '#wire/ledger-check.ts';
import { checkedWords, ledgerFindingWords, unwitnessedWords } from '#wire/words/ledger.ts';
import { siteHome } from './site/site-home.ts';
import { withSiteDatabase } from './site/with-site-database.ts';

// `npm run check [-- --demo | --folder FOLDER]`: walks everything that a site keeps, while it runs or not, and names every place that is not as it was
// witnessed, chained or written down. Ends with 0 when everything holds, 1 when something was found, 2 when it was not asked properly.

const home = siteHome(process.argv.slice(2));
if (!existsSync(home)) {
  console.error(`There is no site in ${home}. Usage: npm run check [-- --demo | --folder FOLDER]`);
  process.exit(2);
}
let check: LedgerCheck | null = null;
await withSiteDatabase(home, async () => {
  let saidAt = Date.now();
  for await (const line of checkLedger()) {
    if (line.kind === 'finding') console.log(`FOUND: ${ledgerFindingWords(line.finding)}`);
    if (line.kind === 'checked') check = line.check;
    if (line.kind === 'progress' && Date.now() - saidAt > 2_000) {
      saidAt = Date.now();
      console.error(`${line.done} of ${line.total} …`);
    }
  }
});
const done = check as LedgerCheck | null;
if (done) {
  console.log(
    done.found === 0
      ? 'Everything holds.'
      : `${done.found} found. Keep the data as it is, and ask who had access.`,
  );
  console.log(checkedWords(done));
  console.log(unwitnessedWords(done));
}
process.exitCode = done?.found === 0 ? 0 : 1;
