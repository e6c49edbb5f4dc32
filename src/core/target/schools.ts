import { z } from 'zod';
/** Where good practitioners disagree: what a site has chosen. Every derivation and record names the choice. */
export type Schools = {
  readonly rangeTarget: 'middle' | 'low-end' | 'high-end';
  readonly maximumOnly: 'eighty-percent' | 'printed-value' | 'site-share';
  /** Share of a printed maximum, in percent, for the school `site-share`. */
  readonly maximumSharePercent: number;
  readonly nominalTolerance: 'site-tolerance' | 'tool-class';
  /** Half width assumed around a single value, in percent, for the school `site-tolerance`. */
  readonly siteTolerancePercent: number;
  /** Two parts with different values in one joint. */
  readonly twoParts: 'lower-governs' | 'overlap-else-lower';
  /** A table value made for a harder material than the part in hand. */
  readonly harderMaterial: 'refuse' | 'minimum-as-maximum';
  readonly windingDown: 'lowest-graduation' | 'zero';
  readonly offsetAdapter: 'right-angle' | 'any-angle';
  /** How a finished fastener is checked. */
  readonly finishedCheck: 'first-movement' | 'second-click' | 'loosen-and-retighten';
  readonly inspectorSample: 'every-fastener' | 'computed-sample' | 'one-per-panel';
  readonly toolService: 'recalibrate' | 'replace-yearly';
  readonly betweenGraduations: 'nearest-inside' | 'the-one-below';
  readonly decisionRule: 'simple' | 'guarded';
  /** Guard band as a multiple of the expanded uncertainty U95, for the rule `guarded`. */
  readonly guardFactor: number;
  /** What is done with an error that a calibration found. Left out in plans made before the question was asked. */
  readonly knownError?: 'judgement-corrected' | 'setting-corrected' | 'added-to-uncertainty' | undefined;
  /** How likely a pull must be inside acceptance to be called in. Left out in plans made before the question was asked. */
  readonly sureEnough?: 'eighty-percent' | 'ninety-five-percent' | 'site-share' | undefined;
  /** In percent, for the school `site-share`. */
  readonly sureSharePercent?: number | undefined;
  /** What ends the check of a fastener that was pulled by feel. Left out in plans made before the question was asked. */
  readonly byFeelCheck?: 'moved-or-loosened' | 'loosened' | undefined;
};

/** The site's choices before anyone has chosen. */
export const DEFAULT_SCHOOLS: Schools = {
  rangeTarget: 'middle',
  maximumOnly: 'eighty-percent',
  maximumSharePercent: 80,
  nominalTolerance: 'site-tolerance',
  siteTolerancePercent: 10,
  twoParts: 'lower-governs',
  harderMaterial: 'refuse',
  windingDown: 'lowest-graduation',
  offsetAdapter: 'right-angle',
  finishedCheck: 'first-movement',
  inspectorSample: 'computed-sample',
  toolService: 'recalibrate',
  betweenGraduations: 'nearest-inside',
  decisionRule: 'simple',
  guardFactor: 1,
  knownError: 'judgement-corrected',
  sureEnough: 'eighty-percent',
  sureSharePercent: 80,
  byFeelCheck: 'moved-or-loosened',
};

/** What a site did before it was asked how sure "in" must be: 80 %. */
const SURE_PERCENT = { 'eighty-percent': 80, 'ninety-five-percent': 95 } as const;

/** How likely a pull must be inside acceptance to be called in, as a bare ratio. */
export const sureShare = ({ sureEnough = 'eighty-percent', sureSharePercent = 80 }: Schools): number =>
  (sureEnough === 'site-share' ? sureSharePercent : SURE_PERCENT[sureEnough]) / 100;

export const schoolsSchema = z
  .strictObject({
    rangeTarget: z.enum(['middle', 'low-end', 'high-end']),
    maximumOnly: z.enum(['eighty-percent', 'printed-value', 'site-share']),
    maximumSharePercent: z.number().min(30).max(100),
    nominalTolerance: z.enum(['site-tolerance', 'tool-class']),
    siteTolerancePercent: z.number().min(1).max(30),
    twoParts: z.enum(['lower-governs', 'overlap-else-lower']),
    harderMaterial: z.enum(['refuse', 'minimum-as-maximum']),
    windingDown: z.enum(['lowest-graduation', 'zero']),
    offsetAdapter: z.enum(['right-angle', 'any-angle']),
    finishedCheck: z.enum(['first-movement', 'second-click', 'loosen-and-retighten']),
    inspectorSample: z.enum(['every-fastener', 'computed-sample', 'one-per-panel']),
    toolService: z.enum(['recalibrate', 'replace-yearly']),
    betweenGraduations: z.enum(['nearest-inside', 'the-one-below']),
    decisionRule: z.enum(['simple', 'guarded']),
    guardFactor: z.number().min(0).max(2),
    knownError: z.enum(['judgement-corrected', 'setting-corrected', 'added-to-uncertainty']).optional(),
    sureEnough: z.enum(['eighty-percent', 'ninety-five-percent', 'site-share']).optional(),
    sureSharePercent: z.number().min(50).max(99).optional(),
    byFeelCheck: z.enum(['moved-or-loosened', 'loosened']).optional(),
  })
  .meta({ id: 'Schools' }) satisfies z.ZodType<Schools>;
