import { z } from 'zod';
import { instantSchema, whySchema } from '#core/bounds.ts';
import { siteKeySchema } from '#core/ledger/site-key.ts';
import { ledgerCheckLineSchema, ledgerCheckSchema } from './ledger-check.ts';
import { NOTHING, operation } from './operation.ts';

/** What a backup made from the page is called. */
const backupNameSchema = z.string().regex(/^jentik-\d{4}-\d\d-\d\dT\d{6}\.jsonl\.gz$/);

/** How the site's records are kept: by which keys it seals, what is witnessed, and what the last check came to. */
export const keepingSchema = z.strictObject({
  fingerprint: z.string(),
  keys: z.array(siteKeySchema),
  witness: z
    .strictObject({
      lines: z.int(),
      at: instantSchema.nullable(),
      jobs: z.int(),
      /** Since when events wait for a line of the witness file, where they wait for longer than that takes. */
      lateSince: instantSchema.nullable(),
    })
    .nullable(),
  /** Rows that can't be read, and are left out of their lists. */
  unreadable: z.array(z.strictObject({ what: z.string(), id: z.string() })),
  lastCheck: z.strictObject({ by: z.string(), check: ledgerCheckSchema }).nullable(),
});
export type Keeping = Readonly<z.infer<typeof keepingSchema>>;

/** A backup that was made from the page and lies beside the site. */
export const keptBackupSchema = z.strictObject({
  name: backupNameSchema,
  bytes: z.int(),
  madeAt: instantSchema,
});
export type KeptBackup = Readonly<z.infer<typeof keptBackupSchema>>;

/** A line of a backup as it is made. */
export const backupLineSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('progress'), done: z.int(), total: z.int() }),
  z.strictObject({ kind: z.literal('made'), backup: keptBackupSchema }),
]);
export type BackupLine = Readonly<z.infer<typeof backupLineSchema>>;

/** Whether a value that was read from JSON is written as the same: a number too large to be one is not. */
const isWrittenAsRead = (value: unknown): boolean => {
  let isSame = true;
  JSON.stringify(value, (_, each: unknown) => {
    if (typeof each === 'number' && !Number.isFinite(each)) isSame = false;
    return each;
  });
  return isSame;
};
/** What a device holds and the site can't read, kept as it is. */
const asItIsSchema = z.unknown().refine(isWrittenAsRead, 'holds a number larger than any');

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
    tokens: ['export'],
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
  setAside: operation({
    method: 'POST',
    path: '/api/v1/set-aside',
    summary: 'Put into the log, with a reason, what a device holds and the site refused',
    who: 'work-on-job',
    mostBytes: 200_000,
    request: z.strictObject({
      job: z.uuid().nullable(),
      kept: asItIsSchema,
      problem: asItIsSchema,
      why: whySchema,
    }),
    response: z.strictObject({ at: instantSchema }),
  }),
  listBackups: operation({
    method: 'GET',
    path: '/api/v1/backups',
    summary: 'Backups that were made from the page, the newest first',
    who: 'back-up',
    request: NOTHING,
    response: z.array(keptBackupSchema),
  }),
  backUp: operation({
    method: 'POST',
    path: '/api/v1/backups',
    summary: 'Make a backup, as lines of JSON: how far it is, and what was made',
    who: 'back-up',
    request: NOTHING,
    response: backupLineSchema,
  }),
  fetchBackup: operation({
    method: 'GET',
    path: '/api/v1/backups/{backup}',
    summary: 'A backup, as one file',
    who: 'back-up',
    request: NOTHING,
    response: z.unknown(),
  }),
} as const;
