import type { IncomingMessage, ServerResponse } from 'node:http';
import type { SSRManifest } from 'astro';
import { NodeApp } from 'astro/app/node';

type Handler = (request: IncomingMessage, response: ServerResponse, next: () => void) => Promise<void>;

const isJson = (type: string | null): boolean => type?.includes('json') === true && !type.includes('ndjson');

const answer = async (given: Response, response: ServerResponse): Promise<void> => {
  // Pages and event streams are sent as they come; an answer that is whole goes out in one piece, with its length.
  if (!isJson(given.headers.get('content-type'))) {
    await NodeApp.writeResponse(given, response);
    return;
  }
  const bytes = Buffer.from(await given.arrayBuffer());
  for (const [name, value] of given.headers) response.appendHeader(name, value);
  response.writeHead(given.status, { 'content-length': bytes.length }).end(bytes);
};

const handlerOf =
  (app: NodeApp): Handler =>
  async (incoming, response, next) => {
    // The body is read from the connection by the endpoint that wants it, with its bound.
    const request = NodeApp.createRequest(incoming, { skipBody: true });
    const routeData = app.match(request);
    // What the framework brings along (scaling of pictures, islands) is nobody's door.
    if (routeData?.origin !== 'project') return next();
    const locals: App.Locals = { incoming, person: null, signedInAt: null };
    await answer(await app.render(request, { addCookieHeader: true, locals, routeData }), response);
  };

/** What the build makes the server's entry of: the handler of everything that is not a file. */
export const createExports = (manifest: SSRManifest): { readonly handler: Handler } => ({
  handler: handlerOf(new NodeApp(manifest)),
});
