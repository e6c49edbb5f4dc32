import type { IncomingMessage } from 'node:http';
import ipaddr from 'ipaddr.js';
import proxyAddress from 'proxy-addr';
import type { Doors } from './doors.ts';

/** How many of the eight groups of an IPv6 address are one customer's: whoever has an address has all that begin so (RFC 6177). */
const NETWORK_GROUPS = 4;

/** An address under which tries are counted: an IPv4 address as it is, an IPv6 one by its network. */
export const countedAddress = (address: string): string => {
  if (!ipaddr.isValid(address)) return 'unknown';
  const parsed = ipaddr.process(address);
  return parsed instanceof ipaddr.IPv6
    ? `${parsed.parts
        .slice(0, NETWORK_GROUPS)
        .map((group) => group.toString(16))
        .join(':')}::/64`
    : parsed.toString();
};

/** From where somebody asks: the other end of the connection, or whom a proxy that was named says. */
export const askingAddress = (incoming: IncomingMessage, { isProxy }: Doors): string =>
  countedAddress(proxyAddress(incoming, (address) => isProxy(address)));

/** Whether a request comes past the proxy of a site that is open to the network: there is no certificate there. */
export const isPastProxy = ({ socket }: IncomingMessage, { isOpen, isOwn, isProxy }: Doors): boolean => {
  const remote = socket.remoteAddress ?? '';
  return isOpen && !isOwn(remote) && !isProxy(remote);
};
