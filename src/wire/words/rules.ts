/** What each number of rules does that the one before did not. */
export const RULES_WORDS: Readonly<Record<number, string>> = {
  1: 'as of the first record; a tool’s known error widens the uncertainty.',
  2: 'a calibrated tool’s known error is taken off the reading before it is judged, and a clear print is never read as something else.',
  4: 'a step that something waits for is left by a lead alone, a wait counts from when it was begun, and what went wrong is put right before the next pull.',
  3: 'everything that is printed is read or asked about, and of two parts in one joint the tighter maximum holds.',
};
