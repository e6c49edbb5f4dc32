import { readThreadSize } from '../lookup/thread-size.ts';

/** The least run-on torque that a used self-locking nut must still have, by thread, in lbf·in. Smaller threads stand in no row of it.
 *  Source: FAA AC 43.13-1B, Change 1, Table 7-2, fine and coarse series. Transcribed from memory of the table; check the print. */
const LEAST_LBF_IN: readonly (readonly [thread: string, least: number])[] = [
  ['7/16-20', 8],
  ['1/2-20', 10],
  ['9/16-18', 13],
  ['5/8-18', 18],
  ['3/4-16', 27],
  ['7/8-14', 40],
  ['1-14', 55],
  ['7/16-14', 8],
  ['1/2-13', 10],
  ['9/16-12', 14],
  ['5/8-11', 20],
  ['3/4-10', 27],
  ['7/8-9', 40],
  ['1-8', 51],
];

/** The least run-on torque for a thread as printed, in lbf·in; null where the table has no row for it. */
export const leastRunOnLbfIn = (thread: string): number | null => {
  const size = readThreadSize(thread);
  return (size.ok && LEAST_LBF_IN.find(([each]) => each === size.value.designation)?.[1]) || null;
};
