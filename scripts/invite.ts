import { THE_SITE } from '#server/queries/site-log.ts';
import { invite } from '#server/services/invite.ts';
import { everyone } from '#server/services/read-site.ts';
import { problemWords } from '#wire/problems/en.ts';
import { optionOf, siteHome } from './site/site-home.ts';
import { withSiteDatabase } from './site/with-site-database.ts';

// `npm run invite -- --name NAME [--demo | --folder FOLDER]`: a lead who forgot their PIN, and is the only one, chooses another with the code that this prints. Whoever may run it
// has the site's folder and its database anyway. The site may go on running.

const args = process.argv.slice(2);
const name = optionOf(args, '--name');
await withSiteDatabase(siteHome(args), async () => {
  const people = await everyone();
  const person = people.find((each) => each.name === name);
  if (!person) {
    console.error('Usage: npm run invite -- --name NAME [--demo | --folder FOLDER]');
    console.error(`Who works there: ${people.map((each) => each.name).join(', ') || 'nobody yet'}`);
    process.exitCode = 2;
    return;
  }
  const made = await invite(person.id, { ...THE_SITE, role: 'lead' });
  if (!made.ok) {
    console.error(problemWords(made.refusal).cause);
    process.exitCode = 1;
    return;
  }
  const { code, expiresAt } = made.value;
  console.log(`${person.name} opens /join on the site and types: ${code}`);
  console.log(`It works once, until ${expiresAt}. The PIN before works no more.`);
});
