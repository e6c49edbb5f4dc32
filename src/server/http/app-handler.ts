import type { IncomingMessage, ServerResponse } from 'node:http';
import type { SSRManifest } from 'astro';
import { NodeApp } from 'astro/app/node';
import { runSealer } from '../sealing/run-sealer.ts';
import { doors } from './doors.ts';
import { problemResponse } from './endpoint.ts';
import { everyAnswer } from './headers.ts';
import { problemPage } from './problem-page.ts';

type Handler = (request: IncomingMessage, response: ServerResponse) => Promise<void>;

const isJson = (type: string | null): boolean => type?.includes('json') === true && !type.includes('ndjson');

const answer = async (given: Response, response: ServerResponse): Promise<void> => {
  // Pages and event streams are sent as they come; an answer that is whole goes out in one piece, with its length.
  if (!isJson(given.headers.get('content-type'))) {
    await NodeApp.writeResponse(given, response);
    return;
  }
  const bytes = Buffer.from(await given.arrayBuffer());
  // The server said already what every answer says; what this one says itself takes its place.
  for (const name of given.headers.keys()) response.removeHeader(name);
  for (const [name, value] of given.headers) response.appendHeader(name, value);
  response.writeHead(given.status, { 'content-length': bytes.length }).end(bytes);
};

// Methods that a web request can have; the others have no meaning here.
const METHODS: ReadonlySet<string> = new Set(['GET', 'HEAD', 'POST', 'PUT', 'DELETE', 'OPTIONS', 'PATCH']);

/** The request as the framework wants it, without its body and without anything that holds on to the connection. Null for what can't be asked. */
const requestOf = ({ method = 'GET', url = '/', headers }: IncomingMessage): Request | null => {
  // The host that a header names decides nothing; who needs it reads the header.
  const address = `http://localhost${url}`;
  if (!url.startsWith('/') || !METHODS.has(method) || !URL.canParse(address)) return null;
  const named = Object.entries(headers).map(([name, value]) => [name, String(value)] as [string, string]);
  return new Request(address, { method, headers: named });
};

/** Answers what leads nowhere, or could not even be read: programs by a problem, people by a page. */
const answerNowhere: Handler = async ({ url = '/' }, response) => {
  const problem = problemResponse({ code: 'not-found', what: 'address' });
  await answer(url.startsWith('/api/') ? problem : await problemPage(problem), response);
};

const handlerOf =
  (app: NodeApp): Handler =>
  async (incoming, response) => {
    const request = requestOf(incoming);
    if (!request) return answerNowhere(incoming, response);
    const routeData = app.match(request);
    // What the framework brings along (scaling of pictures, islands) is nobody's door.
    if (routeData?.origin !== 'project') return answerNowhere(incoming, response);
    // The body is read from the connection by the endpoint that wants it, with its bound.
    const knock = { address: '', device: null, agent: '' };
    const isStillKnown = async (): Promise<boolean> => false;
    const locals: App.Locals = { incoming, knock, person: null, scope: null, signedInAt: null, isStillKnown };
    const given = await app.render(request, { addCookieHeader: true, locals, routeData });
    // A door that is never asked this way: the framework's own page is for nobody.
    const isNowhere = given.status === 404 && !isJson(given.headers.get('content-type'));
    if (isNowhere && incoming.url?.startsWith('/api/')) return answerNowhere(incoming, response);
    await answer(given, response);
  };

/** What every answer says, also one that is a file. Throws where the site's doors can't be opened as they were set. */
const headers = (): readonly (readonly [string, string])[] => everyAnswer(doors());

/** What the build makes the server's entry of: the handler of everything that is not a file, and what works in the background until the function that it
 *  answers is called. */
export const createExports = (
  manifest: SSRManifest,
): {
  readonly handler: Handler;
  readonly nowhere: Handler;
  readonly headers: () => readonly (readonly [string, string])[];
  readonly runInBackground: () => () => Promise<void>;
} => ({
  handler: handlerOf(new NodeApp(manifest)),
  nowhere: answerNowhere,
  headers,
  runInBackground: runSealer,
});
