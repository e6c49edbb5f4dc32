import { z } from 'zod';
import { positionSchema, typedText } from '../bounds.ts';
import { type JointKind, jointKindSchema } from '../joint/joint-kind.ts';
import { idSchema } from '../joint/joint-step.ts';
import { torqueUnitSchema } from '../quantity/unit.ts';
import type { Shape } from '../shape.ts';
import { bookReferenceSchema } from '../spec/book/book-reference.ts';
import { printedTorqueSchema } from '../spec/book/book-requirement.ts';
import { requirementSourceSchema } from '../spec/book/requirement-source.ts';
import { LIST_MAX_ROWS } from '../spec/list/list-bounds.ts';
import { propertyClassSchema } from '../spec/screw/property-class.ts';
import { schoolsSchema } from '../target/schools.ts';
import { DRIVES } from '../tool/drive.ts';
import { DIRECTIONS } from '../tool/tool.ts';

const COORDINATE_MAX_MM = 100_000;
export const AMPERES_MAX = 100_000;
export const GROUPS_MAX = 24;
export const PARTS_MAX = 12;

export const plannedRequirementSchema = z.strictObject({
  ...printedTorqueSchema.shape,
  /** What the spec book said when it was taken from there; null where it stands only in the job's own list. */
  book: bookReferenceSchema.nullable(),
  /** Whether only the lower half of its range is taken, as for a part there is no other of; left out where the whole range is. */
  isLowerHalf: z.literal(true).optional(),
});
/** A requirement on the job: as printed, and as a person settled it where the print was in doubt. */
export type PlannedRequirement = Shape<typeof plannedRequirementSchema>;

/** The code on a part or a machine, by which its history is kept over all jobs. */
export const partCodeSchema = typedText(40);

export const plannedPartSchema = z.strictObject({
  code: partCodeSchema,
  name: typedText(80),
  /** Whether there is no other: it is warned of before the first pull. */
  isIrreplaceable: z.boolean(),
});
/** A part that fasteners hold or go into, or the machine they are on. */
export type PlannedPart = Shape<typeof plannedPartSchema>;

export const groupIdSchema = typedText(20);

const amperesSchema = z.number().positive().max(AMPERES_MAX);

export const plannedGroupSchema = z.strictObject({
  /** What fasteners and events name it by. */
  id: groupIdSchema,
  title: typedText(80),
  /** The kind of joint, whole, as it was when the job was planned. */
  kind: jointKindSchema,
  /** From where its drawing is seen, such as "from above". */
  seenFrom: typedText(60),
  parts: z.array(plannedPartSchema).max(PARTS_MAX),
});
/** Fasteners of one kind of joint, worked as one. */
export type PlannedGroup = Shape<typeof plannedGroupSchema>;

export const plannedFastenerSchema = z.strictObject({
  position: positionSchema,
  label: z.string().trim().max(120),
  group: groupIdSchema,
  xMm: z.number().min(-COORDINATE_MAX_MM).max(COORDINATE_MAX_MM),
  yMm: z.number().min(-COORDINATE_MAX_MM).max(COORDINATE_MAX_MM),
  drive: z.enum(DRIVES),
  /** Whether the list named no drive and the usual one was assumed. */
  driveAssumed: z.boolean(),
  /** The code of the part it holds or goes into; empty where it names none. */
  part: z.string().trim().max(40),
  /** Its thread as printed, such as `M3`; empty where the list does not say. */
  thread: z.string().trim().max(40),
  direction: z.enum(DIRECTIONS),
  /** What is held against it and with what; empty where nothing is. */
  counterHold: z.string().trim().max(120),
  isSingleUse: z.boolean(),
  /** The strength class of the screw in hand; left out where the list does not say. */
  propertyClass: propertyClassSchema.optional(),
  /** The continuous current it carries, and what the terminal or bar is rated for; left out where the list does not say. */
  loadAmperes: amperesSchema.optional(),
  ratedAmperes: amperesSchema.optional(),
  /** What its kind of joint says of it, by the ids of the kind's details. */
  details: z.record(idSchema, z.string().trim().max(60)),
  requirement: plannedRequirementSchema,
});
export type PlannedFastener = Shape<typeof plannedFastenerSchema>;

/** The number of a set of rules. */
export const rulesNumberSchema = z.int().positive().max(1000);

export const jobPlanSchema = z
  .strictObject({
    /** The number of the rules it is judged by until a lead moves it to others. */
    rules: rulesNumberSchema,
    number: typedText(12),
    title: typedText(120),
    source: requirementSourceSchema,
    siteUnit: torqueUnitSchema,
    schools: schoolsSchema,
    /** The machine it is done on; null where the plan names none. */
    asset: plannedPartSchema.nullable(),
    /** In the order they are to be worked. */
    groups: z.array(plannedGroupSchema).min(1).max(GROUPS_MAX),
    /** In the order they are to be tightened within their group, the groups in theirs. */
    fasteners: z.array(plannedFastenerSchema).min(1).max(LIST_MAX_ROWS),
  })
  .meta({ id: 'JobPlan' });
export type JobPlan = Shape<typeof jobPlanSchema>;

/** The group a fastener is in. A plan whose fasteners name no group of it is refused before it becomes a job. */
export const groupOf = (
  { groups }: Pick<JobPlan, 'groups'>,
  { group }: Pick<PlannedFastener, 'group'>,
): PlannedGroup => (groups.find(({ id }) => id === group) ?? groups[0]) as PlannedGroup;

/** The title of a step of a plan, of one of its groups or of any; its id where the plan has none such. */
export const stepTitle = (
  { groups }: Pick<JobPlan, 'groups'>,
  { group, step }: { readonly group: string | null; readonly step: string },
): string =>
  groups
    .filter(({ id }) => group === null || id === group)
    .flatMap(({ kind }) => kind.steps)
    .find(({ id }) => id === step)?.title ?? step;

/** Whether a fastener is of a part that there is no other of. */
export const isOnlyOne = ({ parts }: PlannedGroup, { part }: Pick<PlannedFastener, 'part'>): boolean =>
  parts.some(({ code, isIrreplaceable }) => isIrreplaceable && code === part);

/** The kinds of joint of a plan, each once. */
export const kindsOf = ({ groups }: Pick<JobPlan, 'groups'>): readonly JointKind[] => [
  ...new Map(groups.map(({ kind }) => [kind.code, kind])).values(),
];

/** What a fastener's kind of joint says of it, in words, each once: its details where it has them, else that there is none. */
export const detailWords = (plan: Pick<JobPlan, 'groups'>, fastener: PlannedFastener): readonly string[] =>
  groupOf(plan, fastener).kind.details.map(({ id, missing }) => fastener.details[id] || missing);
