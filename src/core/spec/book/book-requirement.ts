import { z } from 'zod';
import { typedText } from '../../bounds.ts';
import type { TorqueUnit } from '../../quantity/unit.ts';
import { accepted, type Result } from '../../result.ts';
import type { Shape } from '../../shape.ts';
import { conditionsSchema } from '../requirement/conditions.ts';
import { printedRequirementSchema } from '../requirement/read-requirement.ts';
import type { Requirement } from '../requirement/requirement.ts';
import { requirementSchema } from '../requirement/requirement.ts';
import { resolvedRequirement, type UnresolvedRefusal } from '../requirement/resolved-requirement.ts';
import type { Specification } from '../requirement/specification.ts';
import { placeSchema } from './requirement-source.ts';

/** A torque as a source prints it, and as a person read it where the print was in doubt. */
export type PrintedTorque = {
  readonly printed: string;
  readonly readAs: string | null;
  readonly requirement: Requirement;
};

/** The specification of a requirement of the book; the run-on torque is added where it is known. */
export const specificationOf = ({
  torque,
  otherPart,
  conditions,
  isPartSofter,
}: Pick<BookRequirement, 'torque' | 'otherPart' | 'conditions' | 'isPartSofter'>): Specification => ({
  requirement: torque.requirement,
  otherPart: otherPart?.requirement ?? null,
  runOn: conditions.runOn.kind === 'measured' ? conditions.runOn.torque : null,
  isForHarderMaterial: isPartSofter,
});

/** Reads a torque as printed. Refuses: what resolvedRequirement refuses. */
export const readPrinted = (
  printed: string,
  readAs: string | null,
  siteUnit: TorqueUnit,
): Result<PrintedTorque, UnresolvedRefusal> => {
  const read = resolvedRequirement(readAs ?? printed, siteUnit);
  return read.ok ? accepted({ printed: printed.trim(), readAs, requirement: read.value.requirement }) : read;
};

export const printedTorqueSchema = z.strictObject({
  printed: printedRequirementSchema,
  readAs: printedRequirementSchema.nullable(),
  requirement: requirementSchema,
}) satisfies z.ZodType<PrintedTorque>;

/** The other part of a joint, with what it demands. */
export const otherPartSchema = z.strictObject({ ...printedTorqueSchema.shape, part: typedText(120) });

export const bookRequirementSchema = z
  .strictObject({
    /** What is tightened, such as `secondary mirror cell, ring screw`. */
    part: typedText(160),
    /** Its size as printed: `M4`, `#10`, `3/8`; empty where the part says it all. */
    size: z.string().trim().max(40),
    torque: printedTorqueSchema,
    /** What the other part of the joint demands; null where there is none. */
    otherPart: otherPartSchema.nullable(),
    conditions: conditionsSchema,
    /** Whether the part is softer than the material the value was made for. */
    isPartSofter: z.boolean(),
    /** Where in the source: page, table, "inside the door". */
    place: placeSchema,
    note: z.string().trim().max(300),
  })
  .meta({ id: 'BookRequirement' });
/** A requirement as the spec book keeps it: what it is for, what the source prints, and what it holds for. */
export type BookRequirement = Shape<typeof bookRequirementSchema>;
