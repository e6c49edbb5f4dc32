/** Debian's Chromium: a test tool's own download is not to be had on every machine. */
export const CHROMIUM = '/usr/bin/chromium';

export const CHROMIUM_ARGS: readonly string[] = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];
