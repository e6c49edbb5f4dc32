import type { PinWeakness } from '#core/people/weak-pin.ts';
import { type Problem, type ProblemWords, words } from './problem.ts';

type PeopleCode =
  | 'pin-not-chosen'
  | 'pin-too-short'
  | 'pin-weak'
  | 'pin-same'
  | 'invitation-unknown'
  | 'last-lead'
  | 'token-unknown'
  | 'token-may-not';

type Wording = {
  readonly [C in PeopleCode]: (problem: Extract<Problem, { readonly code: C }>) => ProblemWords;
};

const WEAK: Readonly<Record<PinWeakness, string>> = {
  'one-digit': 'It is one digit again and again.',
  run: 'Its digits follow each other like on a ruler.',
  repeated: 'It is a short piece again and again, or there and back.',
  date: 'It reads as a year or a date.',
};

/** The words for what a site can refuse about people, their PINs and the tokens of programs. */
export const PEOPLE_WORDS: Wording = {
  'pin-not-chosen': () =>
    words(
      'No PIN yet',
      'Whoever this is has been invited and has not chosen a PIN, or was given a new invitation.',
      'Open the invitation, or ask a lead for one.',
    ),
  'pin-too-short': (p) =>
    words('PIN too short', `This site asks for at least ${p.digits} digits.`, 'Choose a longer one.'),
  'pin-weak': (p) =>
    words(
      'PIN easily guessed',
      `${WEAK[p.weakness]} Such PINs are tried first.`,
      'Choose one without a pattern.',
    ),
  'pin-same': () => words('The same PIN', 'That is the PIN you have.', 'Choose another one.'),
  'invitation-unknown': () =>
    words(
      'This invitation is over',
      'An invitation works once, for half an hour, and only the newest one.',
      'Ask a lead for another.',
    ),
  'last-lead': () =>
    words(
      'The last lead',
      'Nobody could add people, tools or other leads any more.',
      'Make somebody else a lead first.',
    ),
  'token-unknown': () =>
    words(
      'Token not known',
      'It was revoked, it is over, or it never was one.',
      'Ask a lead for another, under Settings, People.',
    ),
  'token-may-not': (p) =>
    words(
      'Not with this token',
      `It is good for ${p.scope} alone.`,
      p.scope === 'export'
        ? 'Use one for import, or sign in as a person.'
        : 'Use one for export, or sign in as a person.',
    ),
};
