const SYSTEMS = [
  [/iPhone/, 'iPhone'],
  [/iPad/, 'iPad'],
  [/Android/, 'Android'],
  [/Windows/, 'Windows'],
  [/Mac OS X|Macintosh/, 'Mac'],
  [/Linux|X11/, 'Linux'],
] as const;

const BROWSERS = [
  [/Firefox\/|FxiOS\//, 'Firefox'],
  [/Edg\//, 'Edge'],
  [/Chrome\/|CriOS\/|Chromium\//, 'Chrome'],
  [/Safari\//, 'Safari'],
] as const;

const first = (pairs: readonly (readonly [RegExp, string])[], agent: string): string | null =>
  pairs.find(([pattern]) => pattern.test(agent))?.[1] ?? null;

/** What a device calls itself, in words that its person knows it by. It says so itself: nothing hangs on it. */
export const agentWords = (agent: string): string => {
  const [browser, system] = [first(BROWSERS, agent), first(SYSTEMS, agent)];
  if (browser && system) return `${browser} on ${system}`;
  return browser ?? system ?? 'a device that does not say what it is';
};
