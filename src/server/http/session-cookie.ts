import type { AstroCookies } from 'astro';
import { SESSION_SECONDS } from '../services/session.ts';

const NAME = 'jentik_session';

/** The session token a browser sent. */
export const sessionToken = (cookies: AstroCookies): string | undefined => cookies.get(NAME)?.value;

/** Gives the browser its session token; over https only where the site is served so. */
export const setSessionCookie = (cookies: AstroCookies, token: string, isHttps: boolean): void =>
  cookies.set(NAME, token, {
    httpOnly: true,
    sameSite: 'strict',
    secure: isHttps,
    path: '/',
    maxAge: SESSION_SECONDS,
  });

/** Takes the session token from the browser. */
export const clearSessionCookie = (cookies: AstroCookies): void => cookies.delete(NAME, { path: '/' });
