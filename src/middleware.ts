import { defineMiddleware } from 'astro:middleware';
import type { APIContext } from 'astro';
import { isPlainText } from '#core/plain-text.ts';
import { askingAddress, isPastProxy } from '#server/http/asking-address.ts';
import { doors } from '#server/http/doors.ts';
import { faultResponse, problemResponse } from '#server/http/endpoint.ts';
import { contentPolicy } from '#server/http/headers.ts';
import { problemPage } from '#server/http/problem-page.ts';
import { deviceSecret, sessionToken } from '#server/http/session-cookie.ts';
import { someoneIsHere } from '#server/services/read-site.ts';
import { signedInBy } from '#server/services/session.ts';
import { siteLife } from '#server/services/site-life.ts';
import { programBy } from '#server/services/tokens.ts';

const OPEN_PAGES: ReadonlySet<string> = new Set(['/sign-in', '/first-run', '/offline', '/join']);

const secured = async (response: Response): Promise<Response> => {
  const life = await siteLife();
  if (life !== null) response.headers.set('jentik-life', life);
  const policy = contentPolicy(response.headers.get('content-security-policy'));
  response.headers.set('content-security-policy', policy);
  if (response.headers.get('content-type')?.startsWith('text/html')) {
    response.headers.set('content-type', 'text/html; charset=utf-8');
    // It shows what the person who is signed in may see: the device keeps it itself where it may (client/offline).
    response.headers.set('cache-control', 'no-store');
  }
  return response;
};

// Every name in a path is plain ASCII, but for the code that somebody painted on a part.
const IS_PLAIN = /^[\x21-\x7e]{1,200}$/;
const isNowhere = (
  params: Readonly<Record<string, string | undefined>>,
  searchParams: URLSearchParams,
): boolean =>
  Object.entries(params).some(
    ([name, value]) => value !== undefined && !(name === 'part' ? isPlainText(value) : IS_PLAIN.test(value)),
  ) || ![...searchParams].flat().every(isPlainText);

/** What a person, or a program, is answered where there is nothing, or where it failed. */
const answered = async (pathname: string, problem: Response): Promise<Response> =>
  pathname.startsWith('/api/') ? secured(problem) : problemPage(problem);

const BEARER = /^Bearer +(\S+)$/i;

/** Finds out who asks: a program by its token, or a person by their session. Answers whether what was shown is known. */
const recognised = async ({ cookies, locals, request, url }: APIContext): Promise<boolean> => {
  const isApi = url.pathname.startsWith('/api/');
  const given = isApi ? request.headers.get('authorization') : null;
  if (given !== null) {
    const secret = BEARER.exec(given)?.[1] ?? '';
    const program = await programBy(secret);
    locals.isStillKnown = async () => (await programBy(secret)) !== null;
    locals.person = program?.person ?? null;
    locals.scope = program?.scope ?? null;
    return program !== null;
  }
  const token = sessionToken(cookies);
  // A page that asks by itself what is new is nobody's doing; one that is opened is, and so is whatever is sent.
  const signedIn = token ? await signedInBy(token, !isApi || request.method !== 'GET') : null;
  locals.person = signedIn?.person ?? null;
  locals.signedInAt = signedIn?.signedInAt ?? null;
  locals.isStillKnown = async () => token !== undefined && (await signedInBy(token)) !== null;
  return true;
};

/** Who is asking, from where, and where they may go before anyone has signed in. */
export const onRequest = defineMiddleware(async (context, next) => {
  const { cookies, locals, params, redirect, request, url } = context;
  try {
    if (!doors().hosts.has(request.headers.get('host') ?? '') || isPastProxy(locals.incoming, doors()))
      return answered(url.pathname, problemResponse({ code: 'wrong-host' }));
    if (isNowhere(params, url.searchParams))
      return answered(url.pathname, problemResponse({ code: 'not-found', what: 'address' }));
    locals.knock = {
      address: askingAddress(locals.incoming, doors()),
      device: deviceSecret(cookies),
      agent: request.headers.get('user-agent') ?? '',
    };
    if (!(await recognised(context)))
      return answered(url.pathname, problemResponse({ code: 'token-unknown' }));
    if (url.pathname.startsWith('/api/') || url.pathname.startsWith('/_')) return secured(await next());
    if (!locals.person && !OPEN_PAGES.has(url.pathname))
      return secured(
        redirect((await someoneIsHere()) ? `/sign-in?to=${encodeURIComponent(url.pathname)}` : '/first-run'),
      );
    return secured(await next());
  } catch (error) {
    return answered(url.pathname, faultResponse(error));
  }
});
