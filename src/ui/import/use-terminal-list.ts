import { useCallback, useMemo, useState } from 'react';
import { call } from '#client/api.ts';
import type { FromBook } from '#core/book/book-reference.ts';
import {
  type ReadLine,
  readTerminalLines,
  type TerminalColumn,
  type TerminalLine,
  terminalLines,
} from '#core/job/terminal-list.ts';
import { decodeText, type TextEncodingName } from '#core/list/decode-text.ts';
import type { Separator } from '#core/list/delimited-table.ts';
import { OPERATIONS } from '#wire/api.ts';
import type { Problem } from '#wire/problems/problem.ts';
import type { Site } from '#wire/site.ts';

/** The list as it came from its file. */
export type ListFile = {
  readonly name: string;
  readonly encoding: TextEncodingName;
  readonly separator: Separator;
  readonly ignoredHeadings: readonly string[];
};

export type TerminalListDraft = { readonly file: ListFile; readonly lines: readonly TerminalLine[] };

export type TerminalList = {
  readonly draft: TerminalListDraft | null;
  readonly read: readonly ReadLine[];
  readonly problems: readonly Problem[];
  readonly problemsFile: string;
  readonly load: (file: File) => Promise<void>;
  /** Settles a line by a value of the spec book; what its list prints stays beside it. */
  readonly takeFromBook: (line: ReadLine, taken: FromBook) => void;
  readonly settle: (line: ReadLine, column: TerminalColumn, text: string) => void;
};

const BOOK_CODE = /^r-\d{1,9}$/i;

/** Lines whose requirement is a code of the spec book take what the book says; a code the book does not have stays as it is, in doubt. */
const withBookCodes = async (lines: readonly TerminalLine[]): Promise<readonly TerminalLine[]> => {
  const codes = new Set(
    lines.map(({ cells }) => (cells.requirement ?? '').trim()).filter((text) => BOOK_CODE.test(text)),
  );
  const taken = new Map<string, FromBook>();
  for (const code of codes) {
    const answer = await call(OPERATIONS.requirement, undefined, { requirement: code });
    if (answer.ok) taken.set(code, answer.value.fromBook);
  }
  return lines.map((line) => {
    const found = taken.get((line.cells.requirement ?? '').trim());
    return found ? { ...line, readAs: found.torque.readAs ?? found.torque.printed, book: found.book } : line;
  });
};

/** A terminal list on its way in: loaded from a file, read line by line, settled cell by cell. */
export const useTerminalList = (
  site: Site,
  draft: TerminalListDraft | null,
  setDraft: (draft: TerminalListDraft) => void,
): TerminalList => {
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [problemsFile, setProblemsFile] = useState('');
  const read = useMemo(
    () => (draft ? readTerminalLines(draft.lines, site.unit, site.schools) : []),
    [draft, site.schools, site.unit],
  );

  const load = async (file: File): Promise<void> => {
    setProblemsFile(file.name);
    const decoded = decodeText(new Uint8Array(await file.arrayBuffer()));
    if (!decoded.ok) return setProblems([decoded.refusal]);
    const parsed = terminalLines(decoded.value.text);
    if (!parsed.ok) return setProblems(parsed.refusal);
    const { lines, table } = parsed.value;
    setProblems([]);
    const { separator, ignoredHeadings } = table;
    setDraft({
      file: { name: file.name, encoding: decoded.value.encoding, separator, ignoredHeadings },
      lines: await withBookCodes(lines),
    });
  };

  const settle = useCallback(
    ({ source }: ReadLine, column: TerminalColumn, text: string): void => {
      if (!draft) return;
      const lines = draft.lines.map((line) => {
        if (line.line !== source.line) return line;
        // What is printed stays as evidence; what a person read it as stands beside it. Nothing printed is simply filled in.
        if (column === 'requirement' && (line.cells.requirement ?? '').trim() !== '')
          return { ...line, readAs: text.trim() === '' ? null : text.trim(), book: null };
        return { ...line, cells: { ...line.cells, [column]: text.trim() } };
      });
      setDraft({ ...draft, lines });
    },
    [draft, setDraft],
  );

  const takeFromBook = useCallback(
    ({ source }: ReadLine, { torque, book }: FromBook): void => {
      if (!draft) return;
      const lines = draft.lines.map((line) =>
        line.line === source.line ? { ...line, readAs: torque.readAs ?? torque.printed, book } : line,
      );
      setDraft({ ...draft, lines });
    },
    [draft, setDraft],
  );

  return { draft, read, takeFromBook, problems, problemsFile, load, settle };
};
