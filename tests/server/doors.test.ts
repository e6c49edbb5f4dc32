import { describe, expect, test } from 'vitest';
import { askingAddress, countedAddress, isPastProxy } from '#server/http/asking-address.ts';
import { doorsOf } from '#server/http/doors.ts';
import { everyAnswer } from '#server/http/headers.ts';

type Incoming = Parameters<typeof askingAddress>[0];
const from = (remoteAddress: string, forwarded?: string): Incoming =>
  ({
    socket: { remoteAddress },
    connection: { remoteAddress },
    headers: forwarded === undefined ? {} : { 'x-forwarded-for': forwarded },
  }) as unknown as Incoming;

const PROXIED = {
  PORT: '4321',
  JENTIK_ADDRESS: 'https://bench.example',
  JENTIK_PROXY: '127.0.0.1, 10.0.0.2',
};

describe('where the site is follows from how it was started', () => {
  test('alone it is on loopback, by each of its names', () => {
    const { origin, isHttps, hosts, origins, isOpen } = doorsOf({ PORT: '4400' });
    expect({ origin, isHttps, isOpen }).toEqual({
      origin: 'http://127.0.0.1:4400',
      isHttps: false,
      isOpen: false,
    });
    expect([...hosts]).toEqual(['127.0.0.1:4400', 'localhost:4400', '[::1]:4400']);
    expect(origins.has('http://localhost:4400')).toBe(true);
    expect(origins.has('https://localhost:4400')).toBe(false);
    expect(hosts.has('elsewhere.example')).toBe(false);
  });

  test('behind a proxy its pages have the origin of its address alone, the scheme included', () => {
    const { origin, isHttps, hosts, origins } = doorsOf({
      ...PROXIED,
      JENTIK_ADDRESS: 'https://bench.example/x',
    });
    expect(origin).toBe('https://bench.example');
    expect(isHttps).toBe(true);
    expect([...origins]).toEqual(['https://bench.example']);
    expect(hosts.has('bench.example')).toBe(true);
  });

  test.each([
    [{ JENTIK_LISTEN: '0.0.0.0' }, 'JENTIK_ADDRESS'],
    [{ JENTIK_LISTEN: '0.0.0.0', JENTIK_ADDRESS: 'https://bench.example' }, 'JENTIK_PROXY'],
    [{ JENTIK_LISTEN: '0.0.0.0', JENTIK_ADDRESS: 'http://bench.example', JENTIK_PROXY: '10.0.0.2' }, 'https'],
    [{ JENTIK_LISTEN: 'everywhere' }, 'JENTIK_LISTEN'],
    [{ JENTIK_ADDRESS: 'bench.example' }, 'JENTIK_ADDRESS'],
    [{ JENTIK_ADDRESS: 'ftp://bench.example' }, 'JENTIK_ADDRESS'],
    [{ JENTIK_PROXY: 'the other machine' }, 'the other machine'],
  ])('%o opens no door, and says what is missing', (given, words) => {
    expect(() => doorsOf({ PORT: '1', ...given })).toThrow(words);
  });

  test('it says that it is only ever reached by https where it is', () => {
    const named = (isHttps: boolean) => everyAnswer({ isHttps }).map(([name]) => name);
    expect(named(true)).toContain('strict-transport-security');
    expect(named(false)).not.toContain('strict-transport-security');
  });
});

describe('from where somebody asks', () => {
  test('is the other end of the connection; what it says of others counts only of a proxy that was named', () => {
    const alone = doorsOf({ PORT: '1' });
    const proxied = doorsOf(PROXIED);
    expect(askingAddress(from('192.168.1.20', '1.2.3.4'), alone)).toBe('192.168.1.20');
    expect(askingAddress(from('192.168.1.20', '1.2.3.4'), proxied)).toBe('192.168.1.20');
    expect(askingAddress(from('::ffff:127.0.0.1', '192.168.1.20'), proxied)).toBe('192.168.1.20');
    // What stood in the header before the proxy wrote it is nobody's word.
    expect(askingAddress(from('127.0.0.1', '6.6.6.6, 192.168.1.20'), proxied)).toBe('192.168.1.20');
    expect(askingAddress(from('127.0.0.1'), proxied)).toBe('127.0.0.1');
  });

  test.each([
    ['192.168.1.20', '192.168.1.20'],
    ['::ffff:192.168.1.20', '192.168.1.20'],
    ['2001:db8:1:2:3:4:5:6', '2001:db8:1:2::/64'],
    ['2001:db8:1:2::9', '2001:db8:1:2::/64'],
    ['fe80::1', 'fe80:0:0:0::/64'],
    ['½ of nonsense', 'unknown'],
  ])(
    '%s is counted as %s: whoever has an IPv6 address has all of its network (RFC 6177)',
    (address, counted) => {
      expect(countedAddress(address)).toBe(counted);
    },
  );

  test('past the proxy of a site that is open to the network is refused', () => {
    const open = doorsOf({ ...PROXIED, JENTIK_LISTEN: '0.0.0.0', JENTIK_PROXY: '10.0.0.2' });
    expect(isPastProxy(from('10.0.0.2'), open)).toBe(false);
    expect(isPastProxy(from('127.0.0.1'), open)).toBe(false);
    expect(isPastProxy(from('10.0.0.9', '10.0.0.2'), open)).toBe(true);
    expect(isPastProxy(from('10.0.0.9'), doorsOf(PROXIED))).toBe(false);
  });
});
