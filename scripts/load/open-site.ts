import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { openSiteDatabase } from '../site/run-site.ts';

// Opens the site that JENTIK_DATABASE_URL names, as a process does when it starts, and ends.
const site = await openSiteDatabase(mkdtempSync(join(tmpdir(), 'jentik-open-')), 'Load');
console.log(site.appUrl);
await site.stop();
