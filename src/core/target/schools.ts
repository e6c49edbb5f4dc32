/** Where good practitioners disagree: what a site has chosen. Every derivation and record names the choice. */
export type Schools = {
  readonly rangeTarget: 'middle' | 'low-end' | 'high-end';
  readonly maximumOnly: 'eighty-percent' | 'printed-value' | 'site-share';
  /** Share of a printed maximum, in percent, for the school `site-share`. */
  readonly maximumSharePercent: number;
  readonly nominalTolerance: 'site-tolerance' | 'tool-class';
  /** Half width assumed around a single value, in percent, for the school `site-tolerance`. */
  readonly siteTolerancePercent: number;
  readonly betweenGraduations: 'nearest-inside' | 'the-one-below';
  readonly decisionRule: 'simple' | 'guarded';
  /** Guard band as a multiple of the expanded uncertainty U95, for the rule `guarded`. */
  readonly guardFactor: number;
};

/** The site's choices before anyone has chosen. */
export const DEFAULT_SCHOOLS: Schools = {
  rangeTarget: 'middle',
  maximumOnly: 'eighty-percent',
  maximumSharePercent: 80,
  nominalTolerance: 'site-tolerance',
  siteTolerancePercent: 10,
  betweenGraduations: 'nearest-inside',
  decisionRule: 'simple',
  guardFactor: 1,
};
