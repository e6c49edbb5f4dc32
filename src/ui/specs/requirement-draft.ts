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

/** A requirement as it is being written: a line of a list, which reads it the same way whether typed or imported. */
export type RequirementFormDraft = {
  readonly cells: Readonly<Record<RequirementColumn, string>>;
  readonly readAs: string | null;
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
  readAs: kept?.body.torque.readAs ?? null,
  why: '',
  isWithdrawn: kept?.isWithdrawn ?? false,
});

/** How a draft reads against the book's sources. */
export const readDraft = (
  { cells, readAs }: RequirementFormDraft,
  sources: readonly Source[],
  siteUnit: TorqueUnit,
): ReadRequirementLine => readRequirementLine({ line: 1, cells, readAs }, sources, siteUnit);

/** Turns what a browser kept back into a draft; null when it is of another form. */
export const revivedDraft = (kept: unknown): RequirementFormDraft | null =>
  typeof kept === 'object' && kept !== null && 'cells' in kept && 'readAs' in kept
    ? {
        ...draftOf(null, null),
        ...(kept as RequirementFormDraft),
        cells: { ...NO_CELLS, ...(kept as RequirementFormDraft).cells },
      }
    : null;

/** Whether a column says what a requirement holds for. */
export const isCondition = (column: RequirementColumn): column is ConditionColumn =>
  CONDITION_COLUMNS.some((each) => each === column);

/** The name a source is chosen by. */
export const sourceChoice = (source: Source): string => sourceName(source);
