import { isIP } from 'node:net';
import proxyAddress from 'proxy-addr';

// Where the site is and who speaks for others follow from what it was started with, never from what a request says of itself.

/** How this process is reached. */
export type Doors = {
  /** The address of the site ("https://bench.example"): on labels, in calendars and in QR codes. */
  readonly origin: string;
  readonly isHttps: boolean;
  /** The origins of pages of this site. */
  readonly origins: ReadonlySet<string>;
  /** What a request may name as its host. */
  readonly hosts: ReadonlySet<string>;
  /** Whether an address is that of a proxy which was named, whose word about who asks is taken. */
  readonly isProxy: (address: string) => boolean;
  /** Whether an address is this machine's own. */
  readonly isOwn: (address: string) => boolean;
  /** Whether the site is reached by others than this machine: then only through the proxy. */
  readonly isOpen: boolean;
};

const LOOPBACK = ['127.0.0.1', 'localhost', '[::1]'] as const;
const LOOPBACK_ADDRESSES: ReadonlySet<string> = new Set(['127.0.0.1', '::1', '::ffff:127.0.0.1']);

const isLoopback = (address: string): boolean => LOOPBACK_ADDRESSES.has(address);

type Given = Readonly<Record<string, string | undefined>>;

const proxies = (given: Given): ((address: string) => boolean) => {
  const named = (given['JENTIK_PROXY'] ?? '').split(',').flatMap((each) => each.trim() || []);
  const trusts = proxyAddress.compile(named);
  return (address) => named.length > 0 && trusts(address, 0);
};

/** The doors as the environment names them. Throws where that is not enough to open any, with what to set. */
export const doorsOf = (given: Given): Doors => {
  const port = given['PORT'] ?? '4321';
  const listen = given['JENTIK_LISTEN'] ?? '127.0.0.1';
  const address = given['JENTIK_ADDRESS'];
  if (isIP(listen) === 0)
    throw new Error(
      `JENTIK_LISTEN is an address of this machine, such as 0.0.0.0 or 192.168.1.5, not "${listen}".`,
    );
  if (address !== undefined && !(URL.canParse(address) && /^https?:$/.test(new URL(address).protocol)))
    throw new Error(
      `JENTIK_ADDRESS is how people reach the site, such as https://bench.example, not "${address}".`,
    );
  const isOpen = !isLoopback(listen);
  if (isOpen && !(address?.startsWith('https:') && given['JENTIK_PROXY']))
    throw new Error(
      'JENTIK_LISTEN opens the site to the network, and PINs travel there: set JENTIK_ADDRESS to its https address and JENTIK_PROXY to the address of the proxy that holds the certificate (docs/deploy.md).',
    );
  const own = [...LOOPBACK, ...(isOpen ? [isIP(listen) === 6 ? `[${listen}]` : listen] : [])].map(
    (host) => `${host}:${port}`,
  );
  const site = address === undefined ? null : new URL(address);
  return {
    origin: site?.origin ?? `http://127.0.0.1:${port}`,
    isHttps: site?.protocol === 'https:',
    // Behind a certificate a page without one is nobody's.
    origins: new Set(site ? [site.origin] : own.map((host) => `http://${host}`)),
    hosts: new Set([...own, ...(site ? [site.host] : [])]),
    isProxy: proxies(given),
    isOwn: (from) => isLoopback(from) || from === listen || from === `::ffff:${listen}`,
    isOpen,
  };
};

let kept: Doors | null = null;

/** The doors of this process. */
export const doors = (): Doors => {
  kept ??= doorsOf(process.env);
  return kept;
};
