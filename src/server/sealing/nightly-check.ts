import { database } from '../database/pool.ts';
import { selectFirstEntryAt, selectLog } from '../queries/site-log.ts';
import { now } from '../services/clock.ts';
import { checkLedger } from './check-ledger.ts';

const NIGHT_HOUR = 2;
const HOUR_MS = 3_600_000;

/** The last time that the clock of this machine showed the hour of the night at which the ledger is checked. */
const lastNight = (at: Date): number => {
  const night = new Date(at);
  night.setHours(NIGHT_HOUR, 0, 0, 0);
  return night.getTime() > at.getTime() ? night.getTime() - 24 * HOUR_MS : night.getTime();
};

/** Whether a night has passed since the last check, or since the site began; a machine that is switched off at night checks when it is on again. */
export const isCheckDue = (at: string, lastAt: string | null): boolean => {
  if (lastAt === null) return false;
  const last = Date.parse(lastAt);
  return last < lastNight(new Date(at)) && Date.parse(at) - last > 6 * HOUR_MS;
};

/** Checks the whole ledger once a night. */
export const checkNightly = async (): Promise<void> => {
  const db = database();
  const [last] = await selectLog(db, 'ledger-checked', 'site');
  if (!isCheckDue(now(), last?.at ?? (await selectFirstEntryAt(db)))) return;
  for await (const line of checkLedger())
    if (line.kind === 'finding') console.error('the nightly check found:', JSON.stringify(line.finding));
};
