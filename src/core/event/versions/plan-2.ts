import { z } from 'zod';
import { positionSchema, typedText } from '../../bounds.ts';
import { ONLY_GROUP } from '../../job/only-group.ts';
import { type JobPlan, plannedRequirementSchema, rulesNumberSchema } from '../../job/plan.ts';
import { CONTROL_CABINET_1 } from '../../joint/kinds/control-cabinet-1.ts';
import { torqueUnitSchema } from '../../quantity/unit.ts';
import type { Shape } from '../../shape.ts';
import { requirementSourceSchema } from '../../spec/book/requirement-source.ts';
import { schoolsSchema } from '../../target/schools.ts';

// The form of a plan before it had groups: every job was a control cabinet, every fastener had a conductor.

/** The cautions that those forms named. */
export const CAUTION_IDS = [
  'isolated-and-locked',
  'tester-proved-before',
  'tested-dead',
  'tester-proved-after',
  'stored-energy',
  'line-side',
  'eye-protection',
  'hand-tools-only',
  'click-is-a-warning',
] as const;

const LIST_MAX_ROWS_2 = 2000;
const COORDINATE_MAX_MM_2 = 100_000;

const fastenerSchema2 = z.strictObject({
  position: positionSchema,
  label: z.string().trim().max(120),
  xMm: z.number().min(-COORDINATE_MAX_MM_2).max(COORDINATE_MAX_MM_2),
  yMm: z.number().min(-COORDINATE_MAX_MM_2).max(COORDINATE_MAX_MM_2),
  conductor: z.string().trim().max(60),
  drive: z.enum(['slot', 'cross', 'hex-socket', 'square', 'lobed', 'hex-head']),
  driveAssumed: z.boolean(),
  requirement: plannedRequirementSchema,
});

export const planSchema2 = z.strictObject({
  rules: rulesNumberSchema,
  number: typedText(12),
  title: typedText(120),
  seenFrom: typedText(60),
  jobKind: z.enum(['control-cabinet']),
  source: requirementSourceSchema,
  siteUnit: torqueUnitSchema,
  schools: schoolsSchema,
  fasteners: z.array(fastenerSchema2).min(1).max(LIST_MAX_ROWS_2),
});
type Plan2 = Shape<typeof planSchema2>;

/** A plan without groups as one of groups: one group of the kind of joint that every job then had. What was not said then is empty. */
export const groupedPlan = ({
  rules,
  number,
  title,
  source,
  siteUnit,
  schools,
  ...plan
}: Plan2): JobPlan => ({
  rules,
  number,
  title,
  source,
  siteUnit,
  schools,
  asset: null,
  groups: [{ id: ONLY_GROUP, title, kind: CONTROL_CABINET_1, seenFrom: plan.seenFrom, parts: [] }],
  fasteners: plan.fasteners.map(
    ({ conductor, position, label, xMm, yMm, drive, driveAssumed, requirement }) => ({
      position,
      label,
      group: ONLY_GROUP,
      xMm,
      yMm,
      drive,
      driveAssumed,
      part: '',
      thread: '',
      direction: requirement.book?.conditions.thread ?? 'right',
      counterHold: '',
      isSingleUse: requirement.book?.conditions.isSingleUse ?? false,
      details: { conductor },
      requirement,
    }),
  ),
});
