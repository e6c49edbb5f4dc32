import { z } from 'zod';
import { canonicalText } from '../canonical.ts';
import { EVENT_SCHEMA_VERSION, jobEventSchema, unplacedEventSchema } from './event.ts';
import type { LedgerEvent, SentEvent } from './lifted.ts';
import { jobEventSchema1, unplacedEventSchema1 } from './versions/version-1.ts';
import { jobEventSchema2, unplacedEventSchema2 } from './versions/version-2.ts';

/** An event in the ledger, of any version that ever landed. */
export const ledgerEventSchema: z.ZodType<LedgerEvent> = z.union([
  jobEventSchema,
  jobEventSchema2,
  jobEventSchema1,
]);

/** An event as a device sends it, of any version that ever landed. */
export const sentEventSchema: z.ZodType<SentEvent> = z.union([
  unplacedEventSchema,
  unplacedEventSchema2,
  unplacedEventSchema1,
]);

/** Whether this code knows the form of an event. */
export const isKnownVersion = ({ schemaVersion }: Pick<LedgerEvent, 'schemaVersion'>): boolean =>
  Number.isInteger(schemaVersion) && schemaVersion >= 1 && schemaVersion <= EVENT_SCHEMA_VERSION;

/** The event with its keys in the one order of its version, at every level: that of its form in version 1, the canonical one since. Null when it has not the form of that version. */
export const inKeyOrder = (event: unknown): LedgerEvent | null => {
  const { schemaVersion } = (event ?? {}) as { readonly schemaVersion?: unknown };
  if (schemaVersion === 1) {
    const parsed = jobEventSchema1.safeParse(event);
    return parsed.success ? parsed.data : null;
  }
  const parsed = (schemaVersion === 2 ? jobEventSchema2 : jobEventSchema).safeParse(event);
  return parsed.success ? (JSON.parse(canonicalText(parsed.data)) as LedgerEvent) : null;
};
