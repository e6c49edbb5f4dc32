import { demoPeople, fillDemo } from './fill-demo.ts';
import { inProject } from './paths.ts';
import { serveSite } from './serve-site.ts';

const peopleTable = (): string =>
  demoPeople()
    .map(({ name, role, pin }) => `  ${name.padEnd(8)}${role.padEnd(12)}PIN ${pin}`)
    .join('\n');

await serveSite({
  home: inProject('.jentik', 'demo'),
  siteName: 'Bukit Lintang Observatory',
  fill: fillDemo,
  greeting: (address) =>
    `Jentik, demo workshop: ${address}\n\nEveryone here is invented:\n${peopleTable()}\n\n` +
    'A list to import by hand: demo/lists/filter-wheel-f1-with-doubts.csv\nCtrl-C ends it; the demo data stays in .jentik/demo.',
});
