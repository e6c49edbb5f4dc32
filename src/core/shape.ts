import type { z } from 'zod';

type Deep<T> = T extends (...args: never[]) => unknown
  ? T
  : T extends object
    ? { readonly [K in keyof T]: Deep<T[K]> }
    : T;

/** The type of what a schema takes, which nothing changes: a shape is written once, as its schema, in the file that owns it. */
export type Shape<S extends z.ZodType> = Deep<z.output<S>>;
