/** Operations that end the sessions of those who ask, or take from them what they may do: a campaign asks them as nobody, or not at all, or nothing would be left to try. */
export const SPENT: ReadonlySet<string> = new Set([
  'signOut',
  'endOtherSessions',
  'endSessionsOf',
  'invite',
  'leave',
  'changeRole',
]);
