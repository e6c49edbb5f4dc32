import { v7 as uuidv7 } from 'uuid';
import { type JobHappening, type UnplacedEvent, unplacedEvent } from '#core/event/event.ts';
import type { Person } from '#core/people/person.ts';

/** An id for something that happens now: UUIDv7, RFC 9562. */
export const newId = (): string => uuidv7();

/** Now, by the device's clock, as an ISO 8601 instant. */
export const deviceNow = (): string => new Date().toISOString();

/** An event of now. */
export const happeningNow = (job: string, person: Person, happening: JobHappening): UnplacedEvent =>
  unplacedEvent({ id: newId(), job, deviceTime: deviceNow(), person }, happening);
