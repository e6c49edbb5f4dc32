import { z } from 'zod';
import { typedText } from '../../bounds.ts';
import type { TorqueUnit } from '../../quantity/unit.ts';
import { accepted, type Result } from '../../result.ts';
import type { Conditions } from '../requirement/conditions.ts';
import { printedRequirementSchema } from '../requirement/read-requirement.ts';
import type { Requirement } from '../requirement/requirement.ts';
import { requirementSchema } from '../requirement/requirement.ts';
import { resolvedRequirement, type UnresolvedRefusal } from '../requirement/resolved-requirement.ts';
import type { Specification } from '../requirement/specification.ts';

/** A torque as a source prints it, and as a person read it where the print was in doubt. */
export type PrintedTorque = {
  readonly printed: string;
  readonly readAs: string | null;
  readonly requirement: Requirement;
};

/** A requirement as the spec book keeps it: what it is for, what the source prints, and what it holds for. */
export type BookRequirement = {
  /** What is tightened, such as `secondary mirror cell, ring screw`. */
  readonly part: string;
  /** Its size as printed: `M4`, `#10`, `3/8`; empty where the part says it all. */
  readonly size: string;
  readonly torque: PrintedTorque;
  /** What the other part of the joint demands; null where there is none. */
  readonly otherPart: (PrintedTorque & { readonly part: string }) | null;
  readonly conditions: Conditions;
  /** Whether the part is softer than the material the value was made for. */
  readonly isPartSofter: boolean;
  /** Where in the source: page, table, "inside the door". */
  readonly place: string;
  readonly note: string;
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
