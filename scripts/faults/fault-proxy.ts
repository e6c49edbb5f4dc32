import { Agent, createServer, type IncomingMessage, request, type ServerResponse } from 'node:http';
import type { AddressInfo } from 'node:net';

/** What can go wrong between a browser and the site. */
export const NETWORK_FAULTS = [
  'dropped-before',
  'dropped-after',
  'cut',
  'twice',
  'late',
  'other-form',
  'not-json',
] as const;
export type NetworkFault = (typeof NETWORK_FAULTS)[number];

/** A proxy between the browsers and the application processes of a site, which it asks by turns. */
export type FaultProxy = {
  readonly address: string;
  /** Spoils the next request of a method and a path; of none, the next that appends events. */
  readonly spoilNext: (fault: NetworkFault, method?: string, path?: string) => void;
  /** How many faults are still to come. */
  readonly pending: () => number;
  /** The ids of events that a whole answer, of the form it should have, acknowledged to a browser. */
  readonly acknowledged: ReadonlySet<string>;
  readonly stop: () => Promise<void>;
};

const LATE_MS = 2_500;

type Answer = {
  readonly status: number;
  readonly headers: IncomingMessage['headers'];
  readonly body: Buffer;
};

const readAll = async (stream: AsyncIterable<Buffer>): Promise<Buffer> => {
  const chunks: Buffer[] = [];
  for await (const chunk of stream) chunks.push(chunk);
  return Buffer.concat(chunks);
};

/** A request's host and origin as they are at a port of this machine. */
const atItsName = (port: number, { origin }: IncomingMessage['headers']): Record<string, string> => ({
  host: `127.0.0.1:${port}`,
  ...(origin === undefined ? {} : { origin: `http://127.0.0.1:${port}` }),
});

const isAppend = (method: string, path: string): boolean =>
  method === 'POST' && /\/jobs\/[^/]+\/events$/.test(path);

const placedIn = ({ status, body }: Answer): readonly string[] => {
  if (status !== 200) return [];
  const { placed = [] } = JSON.parse(body.toString('utf8')) as { placed?: readonly { id: string }[] };
  return placed.map(({ id }) => id);
};

const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

/** Starts the proxy. `ports` are those of the application processes, asked by turns. */
export const startFaultProxy = (ports: readonly number[]): Promise<FaultProxy> => {
  const agent = new Agent({ keepAlive: false });
  const faults: {
    readonly fault: NetworkFault;
    readonly isFor: (method: string, path: string) => boolean;
  }[] = [];
  const acknowledged = new Set<string>();
  let turn = 0;

  const forward = (incoming: IncomingMessage, body: Buffer): Promise<Answer> =>
    new Promise((resolve, reject) => {
      turn += 1;
      const port = ports[turn % ports.length];
      const { 'content-length': _, connection: _c, ...headers } = incoming.headers;
      const sent = request(
        {
          host: '127.0.0.1',
          port,
          method: incoming.method,
          path: incoming.url,
          agent,
          headers: {
            ...headers,
            // The process answers to its own name alone.
            ...atItsName(port ?? 0, headers),
            ...(body.length > 0 ? { 'content-length': body.length } : {}),
            'accept-encoding': 'identity',
          },
        },
        (response) => {
          const answered = (body: Buffer): void =>
            resolve({ status: response.statusCode ?? 502, headers: response.headers, body });
          // A stream of events goes on for ever; its beginning will do.
          if (response.headers['content-type']?.startsWith('text/event-stream')) {
            response.once('data', (chunk: Buffer) => {
              answered(chunk);
              response.destroy();
            });
          } else readAll(response).then(answered, reject);
        },
      );
      sent.on('error', reject);
      sent.end(body.length > 0 ? body : undefined);
    });

  const give = (response: ServerResponse, { status, headers, body }: Answer): void => {
    const { 'transfer-encoding': _, connection: _c, ...kept } = headers;
    response.writeHead(status, { ...kept, 'content-length': body.length }).end(body);
  };

  const spoiled = async (
    fault: NetworkFault,
    incoming: IncomingMessage,
    response: ServerResponse,
    body: Buffer,
  ): Promise<void> => {
    if (fault === 'dropped-before') return void response.destroy();
    if (fault === 'twice') await forward(incoming, body).catch(() => null);
    const answer = await forward(incoming, body);
    switch (fault) {
      case 'dropped-after':
        return void response.destroy();
      case 'cut':
        response.writeHead(200, { 'content-type': 'application/json', 'content-length': answer.body.length });
        response.write(answer.body.subarray(0, Math.floor(answer.body.length / 2)));
        return void setTimeout(() => response.destroy(), 20);
      case 'other-form':
        return give(response, { ...answer, status: 200, body: Buffer.from('{"placed":"all of it"}') });
      case 'not-json':
        return give(response, {
          ...answer,
          status: 200,
          body: Buffer.from('<html>Sign in to this network</html>'),
        });
      case 'late':
        await pause(LATE_MS);
        break;
      default:
        break;
    }
    if (isAppend(incoming.method ?? '', incoming.url ?? ''))
      for (const id of placedIn(answer)) acknowledged.add(id);
    give(response, answer);
  };

  const server = createServer((incoming, response) => {
    void (async () => {
      const body = await readAll(incoming);
      const { method = '', url = '' } = incoming;
      const at = faults.findIndex(({ isFor }) => isFor(method, url));
      const [spoilt] = at < 0 ? [] : faults.splice(at, 1);
      if (spoilt) return spoiled(spoilt.fault, incoming, response, body);
      const answer = await forward(incoming, body);
      if (isAppend(method, url)) for (const id of placedIn(answer)) acknowledged.add(id);
      give(response, answer);
    })().catch(() => {
      // The application process is away: so is this connection.
      response.destroy();
    });
  });
  return new Promise((resolve) => {
    server.listen(0, '127.0.0.1', () => {
      resolve({
        address: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
        spoilNext: (fault, method, path) => {
          const isFor =
            method === undefined ? isAppend : (m: string, p: string) => m === method && p === path;
          faults.push({ fault, isFor });
        },
        pending: () => faults.length,
        acknowledged,
        stop: () =>
          new Promise((done) => {
            server.closeAllConnections();
            server.close(() => done());
          }),
      });
    });
  });
};
