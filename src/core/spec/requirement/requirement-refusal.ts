import type { NumberRefusal } from '../../quantity/read-number.ts';
import type { TorqueUnit } from '../../quantity/unit.ts';

/** What a text that is not clearly a torque may have meant. */
export type Candidate = {
  /** The whole text with what is in doubt put right, which reads without doubt. */
  readonly text: string;
  /** Its first value in the site's unit; null where the number itself is what is in doubt. */
  readonly inSiteUnit: { readonly value: number; readonly unit: TorqueUnit } | null;
};

/** Why a print is no requirement as it stands. */
export type RequirementRefusal =
  | NumberRefusal
  | { readonly code: 'empty-text' }
  | { readonly code: 'text-too-long'; readonly longest: number }
  | { readonly code: 'unreadable-text'; readonly text: string; readonly start: number }
  | { readonly code: 'unreadable-shape'; readonly text: string }
  | { readonly code: 'ambiguous-unit'; readonly text: string; readonly candidates: readonly Candidate[] }
  | { readonly code: 'no-unit'; readonly text: string; readonly candidates: readonly Candidate[] }
  | { readonly code: 'ambiguous-torque'; readonly text: string; readonly candidates: readonly Candidate[] }
  | { readonly code: 'units-differ'; readonly text: string }
  | { readonly code: 'range-reversed'; readonly text: string }
  | { readonly code: 'tolerance-too-wide'; readonly text: string }
  | { readonly code: 'out-of-bounds'; readonly text: string; readonly highestNewtonMetres: number };
