import { z } from 'zod';
import type { Schools } from '#core/target/schools.ts';

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
  })
  .meta({ id: 'Schools' }) satisfies z.ZodType<Schools>;
