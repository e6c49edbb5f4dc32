import { createServer } from 'node:net';

/** Whether nobody listens on a port of loopback. */
export const isFree = (port: number): Promise<boolean> =>
  new Promise((resolve) => {
    const server = createServer();
    server.once('error', () => resolve(false));
    server.listen(port, '127.0.0.1', () => server.close(() => resolve(true)));
  });

/** A free port on loopback, the preferred one if it is. */
export const freePort = async (preferred: number | null = null): Promise<number> => {
  if (preferred !== null && (await isFree(preferred))) return preferred;
  return new Promise((resolve, reject) => {
    const server = createServer();
    server.once('error', reject);
    server.listen(0, '127.0.0.1', () => {
      const address = server.address();
      const port = typeof address === 'object' && address ? address.port : 0;
      server.close(() => resolve(port));
    });
  });
};
