import { type Problem, type ProblemWords, words } from './problem.ts';

type DoorsCode = 'wrong-host' | 'attachment-broken' | 'attachment-active' | 'attachments-full';

type Wording = {
  readonly [C in DoorsCode]: (problem: Extract<Problem, { readonly code: C }>) => ProblemWords;
};

/** The words for what the site does not let in: requests that name another host, and files that are not what they should be. */
export const DOORS_WORDS: Wording = {
  'wrong-host': () =>
    words(
      'Not the address of this site',
      'The request names another host than the site was given.',
      'Open the site at its own address; JENTIK_ADDRESS says it where Jentik is started.',
    ),
  'attachment-broken': (p) =>
    words(
      'The file is not whole',
      p.mediaType === 'application/pdf'
        ? 'It begins as a PDF and can’t be read as one to its end.'
        : 'It begins as a picture and can’t be read as one to its end.',
      'Take or export it again; nothing was kept of it.',
    ),
  'attachment-active': () =>
    words(
      'A PDF that does things',
      'It holds a script, starts something, or carries other files.',
      'Print it to a plain PDF, and attach that.',
    ),
  'attachments-full': (p) =>
    words(
      'No more files here',
      p.of === 'files'
        ? `At most ${p.most} files are kept with one thing.`
        : `At most ${Math.round(p.most / 1e6)} MB are kept ${p.of === 'day' ? 'of one person in a day' : 'with one thing'}.`,
      p.of === 'day'
        ? 'Go on tomorrow, or let somebody else attach it.'
        : 'Attach it to what it shows most closely, or put several pages into one PDF.',
    ),
};
