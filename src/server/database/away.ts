// The connection is no more, or was never made.
const NETWORK: ReadonlySet<unknown> = new Set([
  'PROTOCOL_CONNECTION_LOST',
  'ECONNREFUSED',
  'ECONNRESET',
  'EPIPE',
  'ETIMEDOUT',
]);
// Its disk or a table is full; the server goes down; the node is not in its cluster, or left it before a commit was through; the connection was killed; the statement took longer
// than it may.
const SERVER: ReadonlySet<unknown> = new Set([1021, 1114, 1053, 1047, 1180, 1927, 1969]);
/** Whether something failed only because the database is away or too slow just now: the same thing asked again later can succeed. */
export const isDatabaseAway = (error: unknown): boolean => {
  if (!(error instanceof Error)) return false;
  // More wait for a connection than may.
  if (error.message === 'Queue limit reached.') return true;
  const { code, errno, fatal } = error as { readonly [field in 'code' | 'errno' | 'fatal']?: unknown };
  // What the driver says of a connection that it has given up bears no code.
  const isGivenUp = fatal === true && code === undefined && errno === undefined;
  return NETWORK.has(code) || SERVER.has(errno) || isGivenUp;
};
