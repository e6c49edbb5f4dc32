import { pinWeakness } from '#core/people/weak-pin.ts';
import { accepted, type Result, refused } from '#core/result.ts';
import type { Problem } from '#wire/problems/problem.ts';
import type { Connection } from '../database/pool.ts';
import { selectSite } from '../queries/site.ts';
import { pinHash } from './check-pin.ts';

/** A PIN as it is kept. */
export type ChosenPin = { readonly hash: string; readonly digits: number };

/** A PIN that somebody chose, as it is kept. Refuses: pin-too-short (by what the site asks for), pin-weak. */
export const chosenPin = async (db: Connection, pin: string): Promise<Result<ChosenPin, Problem>> => {
  const { pinDigits } = await selectSite(db);
  if (pin.length < pinDigits) return refused({ code: 'pin-too-short', digits: pinDigits });
  const weakness = pinWeakness(pin);
  if (weakness) return refused({ code: 'pin-weak', weakness });
  return accepted({ hash: await pinHash(pin), digits: pin.length });
};
