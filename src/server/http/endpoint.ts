import { randomUUID } from 'node:crypto';
import type { IncomingMessage } from 'node:http';
import type { APIContext, APIRoute } from 'astro';
import { z } from 'zod';
import { type Action, whoMay } from '#core/people/may.ts';
import { accepted, type Result, refused } from '#core/result.ts';
import { type DeepReadonly, mayProgram, type Operation } from '#wire/operation.ts';
import { PROBLEM_MEDIA_TYPE } from '#wire/problems/details-shape.ts';
import type { Problem } from '#wire/problems/problem.ts';
import { problemDetails } from '#wire/problems/problem-details.ts';
import type { Contact } from '../append/event-clock.ts';
import type { Asker } from '../asker.ts';
import { isDatabaseAway } from '../database/away.ts';
import { isConflict } from '../database/transaction.ts';
import { now } from '../services/clock.ts';
import { doors } from './doors.ts';
import { FILE_POLICY } from './headers.ts';
import { readJson } from './read-json.ts';

/** Largest request body, in bytes: a list of 2,000 lines with room to spare. */
export const BODY_MAX_BYTES = 3_000_000;

/** The answer for a problem. */
export const problemResponse = (problem: Problem): Response => {
  const details = problemDetails(problem);
  return Response.json(details, {
    status: details.status,
    headers: {
      'content-type': PROBLEM_MEDIA_TYPE,
      'cache-control': 'no-store',
      ...(details.status === 503 ? { 'retry-after': '1' } : {}),
    },
  });
};

/** How an asker's events reached the site. */
export const contactOf = (
  { locals }: APIContext,
  {
    sentAt = null,
    device = null,
  }: { readonly sentAt?: string | null | undefined; readonly device?: string | null | undefined },
): Contact => ({ receivedAt: now(), sentAt, device, signedInAt: locals.signedInAt });

/** The answer for a fault: its reference is in the log, its text is nobody's business. */
export const faultResponse = (error: unknown): Response => {
  // Others held what it needed, for longer than anyone waits: nothing broke, and the same thing sent again will do.
  if (isConflict(error)) return problemResponse({ code: 'job-busy' });
  if (isDatabaseAway(error)) return problemResponse({ code: 'database-away' });
  const reference = randomUUID().slice(0, 8);
  console.error(`fault ${reference}:`, error);
  return problemResponse({ code: 'fault', reference });
};

/** Whether a page of another origin sent this, http and https told apart. A program names no origin, and sends no cookie of a browser's. */
const isForeign = ({ headers }: Pick<Request, 'headers'>): boolean => {
  const origin = headers.get('origin');
  if (origin !== null) return !doors().origins.has(origin);
  const from = headers.get('sec-fetch-site');
  return from !== null && from !== 'same-origin' && from !== 'none';
};

const boundedBody = async (incoming: IncomingMessage, mostBytes: number): Promise<Buffer | null> => {
  if (Number(incoming.headers['content-length'] ?? 0) > mostBytes) return null;
  const chunks: Buffer[] = [];
  let size = 0;
  // What is left of a body that is too large is not read, and its sender still gets an answer.
  for await (const chunk of incoming.iterator({ destroyOnReturn: false })) {
    size += chunk.length;
    if (size > mostBytes) return null;
    chunks.push(chunk);
  }
  return Buffer.concat(chunks);
};

const parsedBody = async (
  incoming: IncomingMessage,
  { request: schema, mostBytes = BODY_MAX_BYTES }: Operation,
): Promise<Result<unknown, Problem>> => {
  if (schema instanceof z.ZodUndefined) return accepted(undefined);
  if (!incoming.headers['content-type']?.startsWith('application/json'))
    return refused({ code: 'wrong-content-type' });
  // Who hangs up in the middle gets this answer no more, and is no fault of the site's.
  const bytes = await boundedBody(incoming, mostBytes).catch(() => Buffer.alloc(0));
  if (bytes === null) return refused({ code: 'body-too-large', mostBytes });
  const read = readJson(bytes);
  if (!read.ok) return refused({ code: 'body-invalid', issues: [read.refusal] });
  const body = read.value;
  const parsed = schema.safeParse(body);
  if (parsed.success) return accepted(parsed.data);
  const issues = parsed.error.issues
    .slice(0, 20)
    .map(({ path, message }) => ({ path: path.join('.') || 'body', message }));
  return refused({ code: 'body-invalid', issues });
};

const isCalculation = ({ path }: Operation): boolean => path.startsWith('/api/v1/compute/');

/** So much is worked out for anybody; more asks for a sign-in, before a byte of it is read. */
const OPEN_BODY_MAX_BYTES = 24_000;
const isMuch = ({ headers }: IncomingMessage): boolean =>
  Number(headers['content-length'] ?? 0) > OPEN_BODY_MAX_BYTES &&
  Number(headers['content-length']) <= BODY_MAX_BYTES;

const isOutOfBounds = ({ issues }: z.ZodError): boolean =>
  issues.every(({ code }) => code === 'too_big' || code === 'too_small' || code === 'invalid_type');

type Asked<O extends Operation> = {
  readonly body: z.output<O['request']>;
  /** Who is signed in; for operations open to anyone it may be null. */
  readonly by: O['who'] extends Action ? Asker : Asker | null;
  readonly context: APIContext;
};

/** A route that parses, calls one service and answers. The one wall where a fault of the interface of programs is caught. */
export const endpoint =
  <O extends Operation>(
    operation: O,
    answer: (
      asked: Asked<O>,
    ) =>
      | Promise<Result<DeepReadonly<z.input<O['response']>> | Response, Problem>>
      | Result<DeepReadonly<z.input<O['response']>> | Response, Problem>,
  ): APIRoute =>
  async (context) => {
    try {
      const { request, locals } = context;
      if (operation.method !== 'GET' && isForeign(request)) return problemResponse({ code: 'wrong-origin' });
      if (operation.who !== 'anyone') {
        if (!locals.person) return problemResponse({ code: 'not-signed-in' });
        const right = whoMay(locals.person, operation.who);
        if (!right.ok) return problemResponse(right.refusal);
      }
      if (locals.scope !== null && !mayProgram(operation, locals.scope))
        return problemResponse({ code: 'token-may-not', scope: locals.scope });
      const isOpen = isCalculation(operation) && locals.person === null;
      if (isOpen && isMuch(locals.incoming)) return problemResponse({ code: 'not-signed-in' });
      const isUnsaid = locals.incoming.headers['content-length'] === undefined;
      const mostBytes = isOpen && isUnsaid ? { mostBytes: OPEN_BODY_MAX_BYTES } : {};
      const body = await parsedBody(locals.incoming, { ...operation, ...mostBytes });
      if (!body.ok) return problemResponse(body.refusal);
      const by = locals.person as Asked<O>['by'];
      const result = await answer({ body: body.value as z.output<O['request']>, by, context });
      if (!result.ok) return problemResponse(result.refusal);
      if (result.value instanceof Response) return result.value;
      const checked = operation.response.safeParse(result.value);
      if (checked.success) return Response.json(checked.data, { headers: { 'cache-control': 'no-store' } });
      // A calculation keeps nothing, and what is put in can lie at the ends of what numbers can say.
      if (isCalculation(operation) && isOutOfBounds(checked.error))
        return problemResponse({ code: 'result-out-of-bounds' });
      throw checked.error;
    } catch (error) {
      return faultResponse(error);
    }
  };

/** An answer that needs no check of its form on the way out, because it was checked on the way in. */
export const uncheckedAnswer = (value: unknown): Response =>
  Response.json(value, { headers: { 'cache-control': 'no-store' } });

/** The same of what is written as JSON already. */
export const writtenAnswer = (json: string): Response =>
  new Response(json, { headers: { 'content-type': 'application/json', 'cache-control': 'no-store' } });

/** A file to be saved, as an answer. */
export const fileResponse = (file: {
  readonly name: string;
  readonly type: string;
  readonly text: string;
}): Response =>
  bytesResponse({ ...file, type: `${file.type}; charset=utf-8`, bytes: Buffer.from(file.text) });

/** Bytes as an answer: a file to be saved, or one to be shown where it stands. */
export const bytesResponse = (file: {
  readonly name: string;
  readonly type: string;
  readonly bytes: Uint8Array;
  readonly isShown?: boolean;
}): Response =>
  new Response(Buffer.from(file.bytes), {
    headers: {
      'content-type': file.type,
      'content-disposition': `${file.isShown ? 'inline' : 'attachment'}; filename="${encodeURIComponent(file.name)}"`,
      'cache-control': 'no-store',
    },
  });

/** A file that somebody brought: it may show itself at most, and do nothing, wherever it is opened. */
export const storedFile = (file: Parameters<typeof bytesResponse>[0]): Response => {
  const response = bytesResponse(file);
  response.headers.set('content-security-policy', FILE_POLICY);
  return response;
};

/** A packed file that is sent as it is read. */
export const streamedFile = (file: {
  readonly name: string;
  readonly bytes: number;
  readonly stream: ReadableStream<Uint8Array>;
}): Response =>
  new Response(file.stream, {
    headers: {
      'content-type': 'application/gzip',
      'content-length': String(file.bytes),
      'content-disposition': `attachment; filename="${encodeURIComponent(file.name)}"`,
      'cache-control': 'no-store, no-transform',
    },
  });

/** How often a stream asks whether whoever listens is still signed in. */
const KNOWN_EVERY_MS = 5_000;

/** Whether whoever asks is still let in, asked of the site at most every so often. */
const stillKnown = (isKnown: () => Promise<boolean>): (() => Promise<boolean>) => {
  let askedAt = performance.now();
  return async () => {
    if (performance.now() - askedAt < KNOWN_EVERY_MS) return true;
    askedAt = performance.now();
    return isKnown();
  };
};

const streamResponse = (
  values: AsyncGenerator<unknown>,
  written: (value: unknown) => string,
  type: string,
  isHeard: () => Promise<boolean> = async () => true,
): Response => {
  const encoder = new TextEncoder();
  let isLeft = false;
  const stream = new ReadableStream<Uint8Array>({
    start: (controller) => controller.enqueue(encoder.encode(type === EVENT_STREAM ? ': listening\n\n' : '')),
    pull: async (controller) => {
      try {
        const { done, value } = await values.next();
        // Whoever listened has gone while the next was awaited.
        if (isLeft) return;
        if (done) controller.close();
        else if (!(await isHeard())) {
          controller.close();
          await values.return(undefined);
        } else controller.enqueue(encoder.encode(written(value)));
      } catch (error) {
        console.error('a stream broke:', error);
        controller.error(error);
      }
    },
    cancel: async () => {
      isLeft = true;
      await values.return(undefined);
    },
  });
  return new Response(stream, {
    headers: { 'content-type': type, 'cache-control': 'no-store, no-transform' },
  });
};

const EVENT_STREAM = 'text/event-stream';

/** Values as lines of JSON, each sent as soon as it is there; it stops working when nobody listens any more. */
export const linesResponse = (values: AsyncGenerator<unknown>): Response =>
  streamResponse(values, (value) => `${JSON.stringify(value)}\n`, 'application/x-ndjson');

/** Values as server-sent events, until whoever listens leaves or is no longer let in; one that has an id is told with it, so that a browser that connects again says where
 *  it was. */
export const eventsResponse = (
  values: AsyncGenerator<{ readonly id?: string } | object>,
  isKnown: () => Promise<boolean>,
): Response =>
  streamResponse(
    values,
    (value) => {
      const { id } = value as { readonly id?: string };
      return `${id === undefined ? '' : `id: ${id}\n`}data: ${JSON.stringify(value)}\n\n`;
    },
    EVENT_STREAM,
    stillKnown(isKnown),
  );
