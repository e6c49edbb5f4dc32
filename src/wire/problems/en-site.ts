import { type Problem, type ProblemWords, words } from './problem.ts';

type SiteCode =
  | 'not-signed-in'
  | 'wrong-pin'
  | 'pin-locked'
  | 'not-found'
  | 'body-invalid'
  | 'body-too-large'
  | 'wrong-origin'
  | 'wrong-content-type'
  | 'not-your-event'
  | 'kind-not-accepted'
  | 'tool-changed'
  | 'event-id-used'
  | 'no-connection'
  | 'answer-misshaped'
  | 'device-storage-failed'
  | 'device-keeps-nothing'
  | 'ledger-broken'
  | 'job-busy'
  | 'database-away'
  | 'outbox-unreadable'
  | 'fault'
  | 'attachment-type'
  | 'attachment-too-large';

type Wording = {
  readonly [C in SiteCode]: (problem: Extract<Problem, { readonly code: C }>) => ProblemWords;
};

const UNITS = [
  [86_400, 'days'],
  [3_600, 'hours'],
  [60, 'minutes'],
] as const;

/** How long that is, in the largest unit of which there are two. */
const waitWords = (seconds: number): string => {
  const unit = UNITS.find(([size]) => seconds >= 2 * size);
  return unit ? `${Math.ceil(seconds / unit[0])} ${unit[1]}` : `${seconds} s`;
};

/** The words for what a site can refuse, and for what can come between it and a device. */
export const SITE_WORDS: Wording = {
  'not-signed-in': () => words('Not signed in', 'The session ended.', 'Sign in again.'),
  'wrong-pin': (p) =>
    words(
      'Wrong PIN',
      p.triesLeft === 1
        ? 'One more try before it is locked for a while.'
        : `${p.triesLeft} more tries before it is locked for a while.`,
      'Try again.',
    ),
  'pin-locked': (p) =>
    words(
      'Locked for a while',
      `Too many wrong PINs from here; open again in ${waitWords(p.untilSeconds)}. Devices on which this person has signed in before are not kept out.`,
      'Wait, or ask a lead: under Settings, People they open it at once, or invite this device.',
    ),
  'not-found': (p) => words('Not found', `There is no such ${p.what} here.`, 'Go back to the list.'),
  'body-invalid': (p) =>
    words(
      'Something does not fit',
      p.issues
        .slice(0, 4)
        .map(({ path, message }) => `${path}: ${message}`)
        .join('; '),
      'Correct it and send it again; nothing was saved.',
    ),
  'body-too-large': (p) => words('Too much at once', `At most ${p.mostBytes / 1e6} MB.`, 'Send it in parts.'),
  'wrong-origin': () =>
    words('Not from this site', 'The request came from another page.', 'Open Jentik in its own tab.'),
  'wrong-content-type': () =>
    words('Not JSON', 'This address takes JSON.', 'Send it with content type application/json.'),
  'not-your-event': (p) =>
    words('Someone else’s work', `This was done by ${p.name}.`, `It is sent when ${p.name} signs in again.`),
  'kind-not-accepted': (p) =>
    words('Not this way', `"${p.kind}" is not sent as an event.`, 'Use its own action.'),
  'tool-changed': (p) =>
    words(
      'The tool changed',
      `${p.toolCode} is not in the crib as this device remembers it.`,
      'Choose the tool again under Plan.',
    ),
  'event-id-used': () =>
    words(
      'Used elsewhere',
      'This event’s id belongs to another event.',
      'Do it again; the first is kept as it was.',
    ),
  'no-connection': () =>
    words(
      'No connection',
      'The server can’t be reached.',
      'Nothing was saved by this. Try again when it answers.',
    ),
  'answer-misshaped': () =>
    words(
      'Answer not understood',
      'The server runs another version than this page, or something stands between them.',
      'Whether it was saved is not known: reload the page and look.',
    ),
  'device-storage-failed': () =>
    words(
      'Not kept on this device',
      'The browser refuses to store what you do: until it is sent, this tab alone holds it.',
      'Keep this tab open until all is sent, and free some space.',
    ),
  'device-keeps-nothing': () =>
    words(
      'This browser keeps nothing',
      'It gives no room to store what you do, as in a private window. It is sent at once; without a connection this tab alone holds it.',
      'Go on with care: keep this tab open until all is sent.',
    ),
  'ledger-broken': (p) =>
    words(
      'The ledger is not whole',
      `The events of this job break at number ${p.sequence}: something was lost or changed in the database. Nothing is taken or sealed until that is mended.`,
      'Tell a lead. What waits on this device stays there; npm run check names the place.',
    ),
  'job-busy': () =>
    words(
      'Not now',
      'Others are writing to this job, and its turn did not come in time.',
      'Try again in a moment.',
    ),
  'database-away': () =>
    words(
      'The database is away',
      'Jentik can’t reach it just now, or it takes too long.',
      'Try again in a moment.',
    ),
  'outbox-unreadable': () =>
    words(
      'Can’t be read any more',
      'It was kept by another version of Jentik.',
      'Tell a lead; it stays on this device.',
    ),
  fault: (p) =>
    words(
      'Something broke',
      `Jentik failed at its end (reference ${p.reference}).`,
      'Try again; if it happens twice, tell a lead the reference.',
    ),
  'attachment-type': () =>
    words(
      'Not a photograph or PDF',
      'Only JPEG, PNG, WebP and PDF can be attached.',
      'Take a photograph of it, or print it to PDF.',
    ),
  'attachment-too-large': (p) =>
    words(
      'File too large',
      `An attachment has at most ${Math.round(p.mostBytes / 1_000_000)} MB.`,
      'Take the photograph with less resolution.',
    ),
};
