import { z } from 'zod';
import type { TorqueUnit } from '#core/quantity/unit.ts';
import { CONDITION_COLUMNS, type ConditionColumn, conditionCells } from '#core/spec/book/condition-text.ts';
import {
  type ReadRequirementLine,
  type RequirementColumn,
  readRequirementLine,
  requirementCells,
} from '#core/spec/book/requirement-list.ts';
import { type Source, sourceName } from '#core/spec/book/source.ts';
import { NO_CONDITIONS } from '#core/spec/requirement/conditions.ts';
import type { KeptRequirement } from '#wire/book.ts';
import { problemWords } from '#wire/problems/en.ts';

/** A requirement as it is being written: a line of a list, which reads it the same way whether typed or imported. */
export type RequirementFormDraft = {
  readonly cells: Record<RequirementColumn, string>;
  /** What a person read the print as, and of which print; empty where nobody had to. */
  readonly readAs: string;
  readonly readOf: string;
  readonly why: string;
  readonly isWithdrawn: boolean;
};

const NO_CELLS: Readonly<Record<RequirementColumn, string>> = {
  part: '',
  size: '',
  requirement: '',
  source: '',
  place: '',
  other_part: '',
  other_requirement: '',
  part_softer: '',
  note: '',
  ...conditionCells(NO_CONDITIONS),
};

/** A draft of a requirement that is there, or an empty one. */
export const draftOf = (kept: KeptRequirement | null, source: Source | null): RequirementFormDraft => ({
  cells:
    kept && source
      ? { ...requirementCells(kept.body, source), requirement: kept.body.torque.printed }
      : NO_CELLS,
  readAs: kept?.body.torque.readAs ?? '',
  readOf: kept?.body.torque.readAs ? kept.body.torque.printed : '',
  why: '',
  isWithdrawn: kept?.isWithdrawn ?? false,
});

/** How a draft reads against the book's sources. */
export const readDraft = (
  { cells, readAs }: Pick<RequirementFormDraft, 'cells' | 'readAs'>,
  sources: readonly Source[],
  siteUnit: TorqueUnit,
): ReadRequirementLine =>
  readRequirementLine({ line: 1, cells, readAs: readAs === '' ? null : readAs }, sources, siteUnit);

/** A draft turned into what is sent; what can't be read is said at its field. */
export const requirementDraftSchema = (
  sources: readonly Source[],
  siteUnit: TorqueUnit,
  isChange: boolean,
): z.ZodType<NonNullable<ReadRequirementLine['value']>, RequirementFormDraft> =>
  z.custom<RequirementFormDraft>().transform((draft, context) => {
    const readAs = draft.readOf === draft.cells.requirement ? draft.readAs : '';
    const { value, findings } = readDraft({ ...draft, readAs }, sources, siteUnit);
    for (const { column, refusal } of findings) {
      const { cause, fix } = problemWords(refusal);
      context.addIssue({ code: 'custom', path: ['cells', column], message: `${cause} ${fix}` });
    }
    if (isChange && draft.why.trim() === '')
      context.addIssue({ code: 'custom', path: ['why'], message: 'This is needed.' });
    if (!value && findings.length === 0)
      context.addIssue({ code: 'custom', path: ['cells', 'part'], message: 'This is needed.' });
    return value ?? z.NEVER;
  });

/** Whether a column says what a requirement holds for. */
export const isCondition = (column: RequirementColumn): column is ConditionColumn =>
  CONDITION_COLUMNS.some((each) => each === column);

/** The name a source is chosen by. */
export const sourceChoice = (source: Source): string => sourceName(source);
