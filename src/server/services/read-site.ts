import type { LedgerEvent } from '#core/event/lifted.ts';
import { keyFingerprint } from '#core/ledger/seal.ts';
import { sealingPublicKey } from '#core/ledger/signature.ts';
import type { Person } from '#core/people/person.ts';
import type { JobSummary } from '#wire/job-summary.ts';
import type { Site } from '#wire/site.ts';
import { siteDay } from '#wire/site-time.ts';
import { database } from '../database/pool.ts';
import { selectEvents } from '../queries/events.ts';
import { selectJobSummaries } from '../queries/jobs.ts';
import { hasPeople, selectPeople } from '../queries/people.ts';
import { selectSite } from '../queries/site.ts';
import { readKeyFile } from '../sealing/key-file.ts';
import { now } from './clock.ts';

/** Everyone who can sign in, by name. */
export const everyone = (): Promise<readonly Person[]> => selectPeople(database());

/** Whether anybody was ever added to the site. */
export const someoneIsHere = (): Promise<boolean> => hasPeople(database());

/** Every job, the one worked on last first. */
export const allJobs = (): Promise<readonly JobSummary[]> => selectJobSummaries(database());

/** What the site has chosen. */
export const siteChoices = (): Promise<Site> => selectSite(database());

/** The day it is at the site. */
export const siteToday = async (): Promise<string> => siteDay(now(), (await siteChoices()).timeZone);

/** A job's events after a sequence; empty for a job that does not exist. */
export const jobEvents = (jobId: string, after: number): Promise<readonly LedgerEvent[]> =>
  selectEvents(database(), jobId, after);

/** The short name of the key the site seals its records with. */
export const siteFingerprint = (): string => keyFingerprint(sealingPublicKey(readKeyFile().privateKey));
