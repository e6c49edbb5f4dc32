import { serveSite } from './serve-site.ts';

await serveSite({
  folder: 'data',
  siteName: 'Our workshop',
  fill: null,
  greeting: (address) => `Jentik is open at ${address}\nThe data is in ./data. Ctrl-C ends it.`,
});
