/** The order of what is done at a bench. */
export type Turns = {
  /** Whether something is on its way into the record. */
  readonly isBusy: () => boolean;
  /** Does something in its turn: at once, or after what is on its way, on the bench that it leaves. Two clicks in one moment are two. */
  readonly inOrder: <A extends readonly unknown[]>(act: (...given: A) => void) => (...given: A) => void;
  /** Holds everything else until it is known whether something may be done, and does it where it may. */
  readonly after: (may: Promise<boolean>, act: () => void) => void;
};

/** Turns at a bench. */
export const turns = (): Turns => {
  let isBusy = false;
  let later: (() => void)[] = [];
  return {
    isBusy: () => isBusy,
    inOrder:
      (act) =>
      (...given) => {
        if (isBusy) later.push(() => act(...given));
        else act(...given);
      },
    after: (may, act) => {
      isBusy = true;
      void may
        .catch(() => true)
        .then((isFine) => {
          if (isFine) act();
          isBusy = false;
          // Where something stopped the bench, what was meant for the next fastener is not done to this one.
          if (!isFine) later = [];
          while (!isBusy && later.length > 0) later.shift()?.();
        });
    },
  };
};
