import { defineMiddleware } from 'astro:middleware';
import { faultResponse, problemResponse } from '#server/http/endpoint.ts';
import { problemPage } from '#server/http/problem-page.ts';
import { sessionToken } from '#server/http/session-cookie.ts';
import { everyone } from '#server/services/read-site.ts';
import { signedInBy } from '#server/services/session.ts';
import { siteLife } from '#server/services/site-life.ts';

const OPEN_PAGES: ReadonlySet<string> = new Set(['/sign-in', '/first-run', '/offline']);

const STYLES =
  "default-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data: blob:; worker-src 'self'; object-src 'none'; base-uri 'self'; frame-ancestors 'none'";

const secured = async (response: Response): Promise<Response> => {
  const life = await siteLife();
  if (life !== null) response.headers.set('jentik-life', life);
  const policy = response.headers.get('content-security-policy') ?? '';
  const scripts = /script-src [^;]*/.exec(policy)?.[0] ?? "script-src 'self'";
  // Astro's own policy hashes styles, which blocks the style attributes that React and charts write.
  response.headers.set('content-security-policy', `${STYLES}; ${scripts}`);
  response.headers.set('x-content-type-options', 'nosniff');
  response.headers.set('referrer-policy', 'same-origin');
  if (response.headers.get('content-type') === 'text/html')
    response.headers.set('content-type', 'text/html; charset=utf-8');
  return response;
};

// Every name in a path is plain ASCII, but for the code that somebody painted on a part.
const IS_PLAIN = /^[\x21-\x7e]{1,200}$/;
const isNowhere = (params: Readonly<Record<string, string | undefined>>): boolean =>
  Object.entries(params).some(
    ([name, value]) => value !== undefined && name !== 'part' && !IS_PLAIN.test(value),
  );

/** What a person, or a program, is answered where there is nothing, or where it failed. */
const answered = async (pathname: string, problem: Response): Promise<Response> =>
  pathname.startsWith('/api/') ? secured(problem) : problemPage(problem);

/** Who is asking, and where they may go before anyone has signed in. */
export const onRequest = defineMiddleware(async ({ cookies, locals, params, redirect, url }, next) => {
  try {
    if (isNowhere(params))
      return answered(url.pathname, problemResponse({ code: 'not-found', what: 'address' }));
    const token = sessionToken(cookies);
    const signedIn = token ? await signedInBy(token) : null;
    locals.person = signedIn?.person ?? null;
    locals.signedInAt = signedIn?.signedInAt ?? null;
    if (url.pathname.startsWith('/api/') || url.pathname.startsWith('/_')) return secured(await next());
    if (!locals.person && !OPEN_PAGES.has(url.pathname)) {
      const isEmpty = (await everyone()).length === 0;
      return redirect(isEmpty ? '/first-run' : `/sign-in?to=${encodeURIComponent(url.pathname)}`);
    }
    return secured(await next());
  } catch (error) {
    return answered(url.pathname, faultResponse(error));
  }
});
