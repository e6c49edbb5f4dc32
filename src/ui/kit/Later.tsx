import { type ReactNode, Suspense } from 'react';
import { useListening } from './form/use-listening.ts';

const WAITING = <p className="text-faint">Opening …</p>;

/** A part of a screen whose script comes when it is shown. Never drawn by the server: what it would send afterwards to put it into its place, the page's content
 *  security policy refuses. */
export const Later = ({ children }: { readonly children: ReactNode }) =>
  useListening() ? <Suspense fallback={WAITING}>{children}</Suspense> : WAITING;
