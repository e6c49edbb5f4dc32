import { z } from 'zod';
import { hashSchema, instantSchema } from '../bounds.ts';
import { canonicalText } from '../canonical.ts';
import { sha256Hex, type TextHash } from '../text-hash.ts';
import { type ChainHead, GENESIS_HASH } from './hash-chain.ts';
import { isSignatureOf, sealingPublicKey, signatureOf } from './signature.ts';
import { isKeyOf, type SiteKey } from './site-key.ts';

const headSchema = z.strictObject({ sequence: z.int().nonnegative(), hash: hashSchema });
const jobHeadSchema = headSchema.extend({ job: z.uuid(), number: z.int().positive() });

/** Where a job's chain stood. */
export type JobHead = Readonly<z.infer<typeof jobHeadSchema>>;

const factsSchema = z.strictObject({
  witness: z.literal(1),
  /** Which line of the file it is, from 1. */
  line: z.int().positive(),
  at: instantSchema,
  /** The hash of the line before, zeros in the first. */
  previous: hashSchema,
  /** Where the site's own chain stands. */
  site: headSchema,
  /** How many jobs have a head. */
  jobs: z.int().nonnegative(),
  /** The heads that moved since the line before; all of them in the first. The lines being chained, the signature is over all the others too. */
  moved: z.array(jobHeadSchema),
  publicKey: hashSchema,
});
const lineSchema = factsSchema.extend({ signature: z.string().regex(/^[0-9a-f]{128}$/) });

/** A line of the witness file: the heads of all chains at an instant, signed by the site. */
export type WitnessLine = z.infer<typeof lineSchema>;

/** What all lines up to one say together. */
export type Witnessed = {
  readonly line: number;
  /** The hash of the first line, by which a file is known from another. */
  readonly first: string;
  /** The hash of the last line. */
  readonly last: string;
  readonly at: string | null;
  readonly site: ChainHead;
  readonly jobs: Map<string, JobHead>;
};

/** What is witnessed before the first line. */
export const nothingWitnessed = (): Witnessed => ({
  line: 0,
  first: '',
  last: GENESIS_HASH,
  at: null,
  site: { sequence: 0, hash: GENESIS_HASH },
  jobs: new Map(),
});

const isMoved = (before: Witnessed, { job, sequence, hash }: JobHead): boolean => {
  const known = before.jobs.get(job);
  return known?.sequence !== sequence || known.hash !== hash;
};

/** The heads that moved since they were witnessed. */
export const movedSince = (before: Witnessed, heads: readonly JobHead[]): readonly JobHead[] =>
  heads.filter((head) => isMoved(before, head));

/** The next line of the file as it is written, without its end of line. Heads that are not named stay as they were witnessed. */
export const witnessLine = (
  before: Witnessed,
  now: { readonly at: string; readonly site: ChainHead; readonly moved: readonly JobHead[] },
  privateKey: string,
): string => {
  const fresh = now.moved.filter(({ job }) => !before.jobs.has(job)).length;
  const { sequence, hash } = now.site;
  const facts = {
    witness: 1,
    line: before.line + 1,
    at: now.at,
    previous: before.last,
    site: { sequence, hash },
    jobs: before.jobs.size + fresh,
    moved: [...now.moved],
    publicKey: sealingPublicKey(privateKey),
  };
  return canonicalText({ ...facts, signature: signatureOf(facts, privateKey) });
};

/** Why a line of the witness file can't be believed: it is not of the form, does not follow the one before it, its signature does not fit, it is
 *  signed by a key that was not the site's then, or it counts other jobs than the lines name. */
export type WitnessProblem = 'form' | 'previous' | 'signature' | 'key' | 'jobs';

const parsedLine = (text: string): WitnessLine | null => {
  try {
    const line = lineSchema.safeParse(JSON.parse(text));
    return line.success ? line.data : null;
  } catch {
    return null;
  }
};

/** What is witnessed after one more line, or what is wrong with that line. `before` is used up: its jobs become those of the answer, because a file has
 *  many lines and a site many jobs. `keys` null looks at no signature: for going on with a file of one's own. */
export const afterLine = (
  before: Witnessed,
  text: string,
  keys: readonly SiteKey[] | null,
  sha256: TextHash = sha256Hex,
): Witnessed | WitnessProblem => {
  const line = parsedLine(text);
  if (!line) return 'form';
  if (line.line !== before.line + 1 || line.previous !== before.last) return 'previous';
  if (keys) {
    const { signature, ...facts } = line;
    if (!isSignatureOf(facts, signature, line.publicKey)) return 'signature';
    if (!keys.some((key) => key.publicKey === line.publicKey && isKeyOf(key, line.at))) return 'key';
  }
  const { jobs } = before;
  for (const head of line.moved) jobs.set(head.job, head);
  if (jobs.size !== line.jobs) return 'jobs';
  const last = sha256(text);
  return { line: line.line, first: before.first || last, last, at: line.at, site: line.site, jobs };
};
