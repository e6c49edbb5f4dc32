import type { RemedyAct, Trouble } from '#core/remedy/trouble.ts';

/** What is to be done, as the end of a sentence: `it is still to be loosened`. */
export const REMEDY_WORDS: Readonly<Record<RemedyAct, string>> = {
  loosen: 'loosened',
  inspect: 'looked at: thread, head, seat and what it holds',
  replace: 'replaced',
};

/** What went wrong, by what is noticed, and what to think of first. */
export const TROUBLE_WORDS: Readonly<
  Record<Trouble, { readonly name: string; readonly sign: string; readonly advice: string }>
> = {
  low: {
    name: 'Low',
    sign: 'it stopped short of the limit',
    advice:
      'Look at the setting and the grip, then pull on slowly from where it is. It need not be loosened.',
  },
  high: {
    name: 'High',
    sign: 'it was read above the limit',
    advice: 'Loosen it and look: what was stretched or crushed does not come back.',
  },
  'over-shot': {
    name: 'Over-shot',
    sign: 'the hand went on past the click',
    advice: 'How far is not known. Loosen it and look: what was stretched or crushed does not come back.',
  },
  'early-click': {
    name: 'Click too early',
    sign: 'it gave at once, before anything was clamped',
    advice:
      'Something binds: a crossed thread, a burr, a strand under the clamp, a bottomed screw. The tool felt that, and not the clamp.',
  },
  'no-click': {
    name: 'No click',
    sign: 'it turns on and the tool never gives',
    advice: 'Stop. The thread strips or the screw stretches, or the tool is broken: try it on the tester.',
  },
  stripped: {
    name: 'Stripped',
    sign: 'the thread or the drive is gone',
    advice: 'It holds nothing. Take it out with its nut or terminal; never the next size into the same hole.',
  },
  'cross-threaded': {
    name: 'Cross-threaded',
    sign: 'it went in askew or tight from the first turn',
    advice: 'Out by hand, look at both threads, start it again backwards until it drops into the first turn.',
  },
  'insert-spins': {
    name: 'Insert spins',
    sign: 'the insert or the stud turns with it',
    advice: 'No torque holds it. A new insert, set as its maker says, before anything is tightened into it.',
  },
};

/** What to look at before it is pulled again. */
export const INSPECTION_WORDS =
  'Look at thread, head and seat, and at what it holds. Stretched, nicked, crushed or taken past its limit is not good.';
