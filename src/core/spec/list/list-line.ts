/** One line of an imported list as it came, and what a person has settled about its requirement. */
export type ListLine<Column extends string> = {
  /** The line of the file it starts on, counted from 1. */
  readonly line: number;
  readonly cells: Readonly<{ [C in Column]?: string | undefined }>;
  /** What a person read the printed requirement as; null while the print speaks for itself. */
  readonly readAs: string | null;
};

/** What must be settled in a cell before a list can be imported. */
export type ListFinding<Column extends string, Refusal> = {
  readonly line: number;
  readonly column: Column;
  readonly refusal: Refusal;
};
