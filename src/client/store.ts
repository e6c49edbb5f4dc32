/** A value that others can look at and hear about when it is another. */
export type Store<T> = {
  readonly snapshot: () => T;
  /** Listens until the returned function is called. */
  readonly subscribe: (listener: () => void) => () => void;
};

/** A store with the function that changes what it holds. */
export type OwnStore<T> = Store<T> & { readonly change: (next: T) => void };

/** A store of a value. A listener hears of every value that is not the one before. */
export const storeOf = <T>(first: T): OwnStore<T> => {
  let value = first;
  const listeners = new Set<() => void>();
  return {
    snapshot: () => value,
    subscribe: (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    change: (next) => {
      if (Object.is(next, value)) return;
      value = next;
      for (const listener of [...listeners]) listener();
    },
  };
};
