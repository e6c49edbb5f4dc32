// What the bench shows only when it is asked comes after the bench itself, and before anyone needs it: the network may be gone by then.

export const loadQuestions = () =>
  import('./BenchQuestions.tsx').then(({ BenchQuestions: all }) => ({ default: all }));

export const loadWhy = () => import('../Why.tsx').then(({ Why: why }) => ({ default: why }));

export const loadPhotograph = () =>
  import('./TakePicture.tsx').then(({ TakePicture: take }) => ({ default: take }));

export const loadRefusal = () =>
  import('./RefusalWords.tsx').then(({ RefusalWords: words }) => ({ default: words }));

export const loadRemedy = () =>
  import('./BenchRemedy.tsx').then(({ BenchRemedy: remedy }) => ({ default: remedy }));

export const loadTurn = () => import('./BenchTurn.tsx').then(({ BenchTurn: turn }) => ({ default: turn }));

export const loadDevice = () =>
  import('./BenchDevice.tsx').then(({ BenchDevice: device }) => ({ default: device }));

export const loadWait = () => import('./WaitLeft.tsx').then(({ WaitLeft: wait }) => ({ default: wait }));

export const loadHandedOver = () =>
  import('./HandedOver.tsx').then(({ HandedOver: handed }) => ({ default: handed }));

const AFTER_START_MS = 1_500;

/** Fetches all of it a moment after the start, unless the returned function is called before. */
export const fetchLater = (): (() => void) => {
  const timer = setTimeout(() => {
    for (const load of [
      loadRefusal,
      loadQuestions,
      loadWhy,
      loadPhotograph,
      loadRemedy,
      loadWait,
      loadTurn,
      loadDevice,
      loadHandedOver,
    ])
      load().catch(() => {});
  }, AFTER_START_MS);
  return () => clearTimeout(timer);
};
