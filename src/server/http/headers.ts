import type { Doors } from './doors.ts';

const POLICY =
  "default-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data: blob:; worker-src 'self'; object-src 'none'; base-uri 'self'; form-action 'self'; frame-ancestors 'none'";
const SCRIPTS = "script-src 'self'";

/** The policy of a file that somebody brought: no script, nothing from elsewhere, no origin of its own. */
export const FILE_POLICY = "default-src 'none'; form-action 'none'; frame-ancestors 'none'; sandbox";

/** The policy of a page: its scripts are files of the site and those whose hashes it names, never what stands in it. Styles may, because React and charts write
 *  them as attributes. */
export const contentPolicy = (pagePolicy: string | null): string =>
  pagePolicy === FILE_POLICY
    ? FILE_POLICY
    : `${POLICY}; ${/script-src [^;]*/.exec(pagePolicy ?? '')?.[0] ?? SCRIPTS}`;

/** What every answer says to the browser, files among them. */
export const everyAnswer = ({ isHttps }: Pick<Doors, 'isHttps'>): readonly (readonly [string, string])[] => [
  ['content-security-policy', contentPolicy(null)],
  ['x-content-type-options', 'nosniff'],
  ['referrer-policy', 'same-origin'],
  ['cross-origin-opener-policy', 'same-origin'],
  ['cross-origin-resource-policy', 'same-origin'],
  ['permissions-policy', 'geolocation=(), microphone=(), payment=(), usb=()'],
  ...(isHttps ? ([['strict-transport-security', 'max-age=31536000']] as const) : []),
];
