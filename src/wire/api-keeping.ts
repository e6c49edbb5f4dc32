import { z } from 'zod';
import { instantSchema } from '#core/bounds.ts';
import { siteKeySchema } from '#core/ledger/site-key.ts';
import { ledgerCheckLineSchema, ledgerCheckSchema } from './ledger-check.ts';
import { NOTHING, operation } from './operation.ts';

/** How the site's records are kept: by which keys it seals, what is witnessed, and what the last check came to. */
export const keepingSchema = z.strictObject({
  fingerprint: z.string(),
  keys: z.array(siteKeySchema),
  witness: z.strictObject({ lines: z.int(), at: instantSchema.nullable(), jobs: z.int() }).nullable(),
  lastCheck: z.strictObject({ by: z.string(), check: ledgerCheckSchema }).nullable(),
});
export type Keeping = Readonly<z.infer<typeof keepingSchema>>;

export const KEEPING_OPERATIONS = {
  siteKeys: operation({
    method: 'GET',
    path: '/api/v1/ledger/keys',
    summary: 'The public keys that the site has sealed records with, each with its time',
    who: 'anyone',
    request: NOTHING,
    response: z.array(siteKeySchema),
  }),
  keeping: operation({
    method: 'GET',
    path: '/api/v1/ledger',
    summary: 'How records are kept: keys, witness, and the last check of the ledger',
    who: 'see',
    request: NOTHING,
    response: keepingSchema,
  }),
  checkLedger: operation({
    method: 'POST',
    path: '/api/v1/ledger/check',
    summary: 'Check everything that is kept, as lines of JSON: how far it is, findings, and what it came to',
    who: 'check-ledger',
    request: NOTHING,
    response: ledgerCheckLineSchema,
  }),
} as const;
