import { Agent, request } from 'node:http';

/** How long an answer may take before it counts as a hang-up. */
const PATIENCE_MS = 30_000;

/** What is asked of the site, byte by byte as it goes out. */
export type Asked = {
  readonly method: string;
  readonly path: string;
  readonly headers: Readonly<Record<string, string>>;
  readonly body: Buffer | null;
};

/** What came back: a status, or that nothing did. */
export type Came = { readonly status: number; readonly text: string } | { readonly hungUp: string };

const agent = new Agent({ keepAlive: true, maxSockets: 16 });
const LONGEST_TEXT = 4_000_000;

/** Asks the site and waits for the whole answer; of a stream that goes on for ever only for its beginning. */
export const ask = (address: string, { method, path, headers, body }: Asked): Promise<Came> =>
  new Promise((resolve) => {
    const { hostname, port } = new URL(address);
    const length = body ? { 'content-length': String(body.length) } : {};
    let isDone = false;
    const done = (came: Came): void => {
      if (isDone) return;
      isDone = true;
      clearTimeout(timer);
      resolve(came);
    };
    const timer = setTimeout(() => {
      done({ hungUp: `no answer for ${PATIENCE_MS / 1000} s` });
      sent.destroy();
    }, PATIENCE_MS);
    // The path goes out as it is, in the bytes of its letters.
    const bytes = Buffer.from(path, 'utf8').toString('latin1');
    const sent = request(
      {
        hostname,
        port,
        method,
        path: bytes,
        agent,
        headers: { ...headers, ...length },
        insecureHTTPParser: true,
      },
      (response) => {
        const chunks: Buffer[] = [];
        let size = 0;
        const status = response.statusCode ?? 0;
        response.on('data', (chunk: Buffer) => {
          if (size < LONGEST_TEXT) chunks.push(chunk);
          size += chunk.length;
          if (response.headers['content-type']?.startsWith('text/event-stream') !== true) return;
          done({ status, text: chunk.toString() });
          response.destroy();
        });
        response.on('end', () => done({ status, text: Buffer.concat(chunks).toString('utf8') }));
        response.on('error', (error) => done({ hungUp: error.message }));
      },
    );
    sent.on('error', (error: NodeJS.ErrnoException) => {
      // A connection that was kept may be closed as it is taken up again: that is asked anew.
      if (error.code === 'ECONNRESET' && sent.reusedSocket && !isDone) {
        clearTimeout(timer);
        isDone = true;
        void ask(address, { method, path, headers, body }).then(resolve);
      } else done({ hungUp: error.message });
    });
    sent.end(body ?? undefined);
  });

/** Closes the connections that were kept. */
export const closeConnections = (): void => agent.destroy();
