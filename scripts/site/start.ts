import { serveSite } from './serve-site.ts';
import { siteHome } from './site-home.ts';

// `npm start [-- --folder FOLDER]`

const home = siteHome(process.argv.slice(2));

await serveSite({
  home,
  siteName: 'Our workshop',
  fill: null,
  greeting: (address) => `Jentik is open at ${address}\nThe data is in ${home}. Ctrl-C ends it.`,
});
