import { z } from 'zod';
import type { Schools } from '#core/target/schools.ts';

export const schoolsSchema = z
  .strictObject({
    rangeTarget: z.enum(['middle', 'low-end', 'high-end']),
    maximumOnly: z.enum(['eighty-percent', 'printed-value', 'site-share']),
    maximumSharePercent: z.number().min(30).max(100),
    nominalTolerance: z.enum(['site-tolerance', 'tool-class']),
    siteTolerancePercent: z.number().min(1).max(30),
    betweenGraduations: z.enum(['nearest-inside', 'the-one-below']),
    decisionRule: z.enum(['simple', 'guarded']),
    guardFactor: z.number().min(0).max(2),
  })
  .meta({ id: 'Schools' }) satisfies z.ZodType<Schools>;
