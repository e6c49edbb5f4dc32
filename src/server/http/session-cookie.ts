import type { AstroCookies } from 'astro';
import { SESSION_SECONDS } from '../services/session.ts';
import { doors } from './doors.ts';

// Behind a certificate the names begin with __Host-: a browser then takes them from this host alone, over https alone, for all of it (RFC 6265bis, 4.1.3.2).
const named = (name: string): string => (doors().isHttps ? `__Host-${name}` : name);

const SESSION = 'jentik_session';
const DEVICE = 'jentik_device';
/** How long a browser keeps a cookie at most (RFC 6265bis, 5.5): a device stays known for as long as it is used now and then. */
const DEVICE_SECONDS = 400 * 86_400;

/** The secret of the session that a browser sent. */
export const sessionToken = (cookies: AstroCookies): string | undefined => cookies.get(named(SESSION))?.value;

/** The secret by which a browser is known again, whoever is signed in on it. */
export const deviceSecret = (cookies: AstroCookies): string | null =>
  cookies.get(named(DEVICE))?.value ?? null;

/** Gives the browser the secrets of the session and of itself. */
export const setCookies = (
  cookies: AstroCookies,
  { token, device }: { readonly token: string; readonly device: string },
): void => {
  const { isHttps } = doors();
  const options = { httpOnly: true, sameSite: 'strict', secure: isHttps, path: '/' } as const;
  cookies.set(named(SESSION), token, { ...options, maxAge: SESSION_SECONDS });
  cookies.set(named(DEVICE), device, { ...options, maxAge: DEVICE_SECONDS });
};

/** Takes the secret of the session from the browser. */
export const clearSessionCookie = (cookies: AstroCookies): void =>
  cookies.delete(named(SESSION), { path: '/', secure: doors().isHttps });
