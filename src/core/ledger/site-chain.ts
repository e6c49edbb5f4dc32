import { canonicalText } from '../canonical.ts';
import { sha256Hex, type TextHash } from '../text-hash.ts';
import type { ChainHead } from './hash-chain.ts';

/** What the site log chains beside the jobs: a row of one of its tables, by what it is called there, with the hash of what it held. */
export type SiteFact = {
  /** The table, or `witness` for a line of the witness file. */
  readonly kind: string;
  readonly ref: string;
  /** What it is, in words that outlive it: "calibration of TS-03 on 2026-11-02". */
  readonly said: string;
  readonly contentHash: string;
};

/** A fact in its place in the site's chain. */
export type SiteLink = SiteFact & {
  readonly sequence: number;
  readonly at: string;
  readonly previousHash: string;
  readonly hash: string;
};

/** The hash of a row's content: SHA-256 over the canonical form of its columns. */
export const contentHash = (
  columns: Readonly<Record<string, unknown>>,
  sha256: TextHash = sha256Hex,
): string => sha256(canonicalText(columns));

const linkHash = ({ hash: _, ...rest }: SiteLink, sha256: TextHash): string => sha256(canonicalText(rest));

/** Facts as the next links of the chain. */
export const linked = (
  head: ChainHead,
  facts: readonly SiteFact[],
  at: string,
  sha256: TextHash = sha256Hex,
): readonly SiteLink[] => {
  let before = head;
  return facts.map(({ kind, ref, said, contentHash }) => {
    const rest = {
      kind,
      ref,
      said,
      contentHash,
      at,
      sequence: before.sequence + 1,
      previousHash: before.hash,
    };
    const link = { ...rest, hash: linkHash({ ...rest, hash: '' }, sha256) };
    before = link;
    return link;
  });
};

/** Every number at which links do not follow on from a head. Behind one that does not, the chain is taken up again where it stands. */
export const brokenLinks = (
  head: ChainHead,
  links: readonly SiteLink[],
  sha256: TextHash = sha256Hex,
): readonly number[] => {
  const broken: number[] = [];
  let before = head;
  let isBeforeWhole = true;
  for (const link of links) {
    const isNext = link.sequence === before.sequence + 1;
    if (!isNext) broken.push(before.sequence + 1);
    const isLinked: boolean = !isNext || !isBeforeWhole || link.previousHash === before.hash;
    isBeforeWhole = isLinked && linkHash(link, sha256) === link.hash;
    if (!isBeforeWhole) broken.push(link.sequence);
    before = link;
  }
  return broken;
};
