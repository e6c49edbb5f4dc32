import type { z } from 'zod';
import type { Known } from '../command/known.ts';
import type { Happened } from '../job/happened.ts';
import type { JobRefusal } from '../job/refusal.ts';
import type { Action } from '../people/may.ts';
import type { Result } from '../result.ts';
import type { Rules } from '../rules/rules.ts';
import type { JobView, JobViews } from '../view/job-view.ts';

/** How an event changes each view that it concerns. Total: it never refuses, never judges, never throws. */
export type Applies<B> = {
  readonly [V in keyof JobViews]?: (job: JobView, event: Happened<B>) => Partial<JobViews[V]>;
};

/** A kind of event, whole: its form, who may, what of it a person says, how it is decided, and what it changes. Written as methods, so that
 *  any kind can stand where one of unknown bodies is wanted. */
export type EventKind<K extends string, B, S> = {
  readonly kind: K;
  readonly body: z.ZodType<B>;
  /** What a person must be allowed to do, by what they say. */
  actions(said: S): readonly Action[];
  /** Whether it may happen to a job that is signed. */
  readonly mayFollowSignature: boolean;
  /** The part of the body that a person says; the rest is decided. */
  says(body: B): S;
  /** What the asker knew, as far as it counted: from the body alone. */
  knew(body: B): Partial<Known>;
  decide(job: JobView, said: S, known: Known, rules: Rules): Result<B, JobRefusal>;
  readonly apply: Applies<B>;
};

/** A kind of event whose body is not looked into. */
export type AnyKind = Omit<EventKind<string, unknown, unknown>, 'apply' | 'body'>;

type Defined<K extends string, B, S> = Omit<EventKind<K, B, S>, 'knew' | 'mayFollowSignature'> &
  Partial<Pick<EventKind<K, B, S>, 'knew' | 'mayFollowSignature'>>;

/** Defines a kind of event. Most need nothing of the asker and nothing after a signature. */
export const eventKind = <const K extends string, B, S>(defined: Defined<K, B, S>): EventKind<K, B, S> => ({
  knew: () => ({}),
  mayFollowSignature: false,
  ...defined,
});
