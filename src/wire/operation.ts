import { z } from 'zod';
import type { Action } from '#core/people/may.ts';
import type { TokenScope } from './token.ts';

/** An operation of the interface of programs: endpoints, the client and docs/openapi.json all follow from it. */
export type Operation<
  Q extends z.ZodType = z.ZodType,
  A extends z.ZodType = z.ZodType,
  W extends 'anyone' | Action = 'anyone' | Action,
> = {
  readonly method: 'GET' | 'POST' | 'PUT' | 'DELETE';
  /** With `{name}` for what varies. */
  readonly path: string;
  readonly summary: string;
  /** Who may: anyone, or a person who is signed in and may do this. */
  readonly who: W;
  /** What some of what it takes needs beside that; the service asks for it where it comes up. */
  readonly also?: readonly Action[];
  /** For which tokens of programs it is open beside that; for anybody's where anyone may. */
  readonly tokens?: readonly TokenScope[];
  /** Largest body in bytes, where it is not the usual one. */
  readonly mostBytes?: number;
  readonly request: Q;
  readonly response: A;
};

/** Whether a program with a token of a scope may ask this. */
export const mayProgram = (
  { who, tokens = [] }: Pick<Operation, 'who' | 'tokens'>,
  scope: TokenScope,
): boolean => who === 'anyone' || tokens.includes(scope);

/** A value that whoever gets it may not change: services give their own data out without copying it. */
export type DeepReadonly<T> = T extends readonly (infer E)[]
  ? readonly DeepReadonly<E>[]
  : T extends object
    ? { readonly [K in keyof T]: DeepReadonly<T[K]> }
    : T;

/** What an operation takes that takes nothing. */
export const NOTHING = z.undefined();

/** Defines an operation, with the types of its schemas. */
export const operation = <Q extends z.ZodType, A extends z.ZodType, const W extends 'anyone' | Action>(
  definition: Operation<Q, A, W>,
): Operation<Q, A, W> => definition;

/** Defines a calculation: public and stateless. */
export const computing = <Q extends z.ZodType, A extends z.ZodType>(
  name: string,
  summary: string,
  request: Q,
  response: A,
): Operation<Q, A, 'anyone'> =>
  operation({ method: 'POST', path: `/api/v1/compute/${name}`, summary, who: 'anyone', request, response });
