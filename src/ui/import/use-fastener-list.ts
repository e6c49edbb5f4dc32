import { useCallback, useMemo, useState } from 'react';
import { call } from '#client/api.ts';
import { siteKindOf, siteKinds } from '#client/site-kinds.ts';
import {
  type FastenerColumn,
  type FastenerLine,
  fastenerLines,
  groupsNamed,
  kindSpokenOf,
  type ReadLine,
  readFastenerLines,
} from '#core/job/fastener-list.ts';
import { ONLY_GROUP } from '#core/job/only-group.ts';
import type { JointKind } from '#core/joint/joint-kind.ts';
import type { FromBook } from '#core/spec/book/from-book.ts';
import { decodeText, type TextEncodingName } from '#core/spec/list/decode-text.ts';
import type { Separator } from '#core/spec/list/delimited-table.ts';
import { OPERATIONS } from '#wire/api.ts';
import type { NewGroup } from '#wire/new-job.ts';
import type { Problem } from '#wire/problems/problem.ts';
import type { Site } from '#wire/site.ts';
import { useKeptDraft } from '../kit/form/use-kept-draft.ts';

/** The list as it came from its file. */
export type ListFile = {
  readonly name: string;
  readonly encoding: TextEncodingName;
  readonly separator: Separator;
  readonly ignoredHeadings: readonly string[];
};

/** How a group of the list is to be worked; the kind of joint is empty until it is known or chosen. */
export type GroupDraft = Omit<NewGroup, 'irreplaceable'> & { readonly irreplaceable: readonly string[] };

export type FastenerListDraft = {
  readonly file: ListFile;
  readonly lines: readonly FastenerLine[];
  readonly groups: readonly GroupDraft[];
};

/** The groups that a list names, each with the kind of joint that its columns speak of. */
const groupDrafts = (lines: readonly FastenerLine[]): readonly GroupDraft[] =>
  groupsNamed(lines).map((id) => {
    const kind = kindSpokenOf(lines, id);
    return {
      id,
      title: id === ONLY_GROUP ? '' : id,
      jointKind: kind?.code ?? '',
      seenFrom: kind?.words.seenFrom ?? '',
      irreplaceable: [],
    };
  });

export type FastenerList = {
  readonly draft: FastenerListDraft | null;
  readonly read: readonly ReadLine[];
  readonly problems: readonly Problem[];
  readonly problemsFile: string;
  readonly load: (file: File) => Promise<void>;
  /** Settles a line by a value of the spec book; what its list prints stays beside it. */
  readonly takeFromBook: (line: ReadLine, taken: FromBook) => void;
  readonly settle: (line: ReadLine, column: FastenerColumn, text: string) => void;
  readonly changeGroup: (id: string, change: Partial<GroupDraft>) => void;
  /** Puts a group one place earlier in the order of the work. */
  readonly moveUp: (id: string) => void;
  /** Forgets the list, once it is imported. */
  readonly forget: () => void;
};

const BOOK_CODE = /^r-\d{1,9}$/i;

/** Lines whose requirement is a code of the spec book take what the book says; a code the book does not have stays as it is, in doubt. */
const withBookCodes = async (lines: readonly FastenerLine[]): Promise<readonly FastenerLine[]> => {
  const codes = new Set(
    lines.map(({ cells }) => (cells['requirement'] ?? '').trim()).filter((text) => BOOK_CODE.test(text)),
  );
  const taken = new Map<string, FromBook>();
  for (const code of codes) {
    const answer = await call(OPERATIONS.requirement, undefined, { requirement: code });
    if (answer.ok) taken.set(code, answer.value.fromBook);
  }
  return lines.map((line) => {
    const found = taken.get((line.cells['requirement'] ?? '').trim());
    return found ? { ...line, readAs: found.torque.readAs ?? found.torque.printed, book: found.book } : line;
  });
};

/** What a draft becomes; nothing where there is none. */
type ListChange = (draft: FastenerListDraft) => FastenerListDraft;

const DRAFT_KEY = 'jentik-import-list';

const revived = (kept: unknown): { readonly list: FastenerListDraft | null } | null =>
  typeof kept === 'object' && kept !== null && 'list' in kept
    ? (kept as { readonly list: FastenerListDraft | null })
    : null;

/** A fastener list on its way in: loaded from a file, read line by line, settled cell by cell. */
export const useFastenerList = (site: Site): FastenerList => {
  const [{ list: draft }, setKept, forget] = useKeptDraft<{ readonly list: FastenerListDraft | null }>(
    DRAFT_KEY,
    { list: null },
    revived,
  );
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [problemsFile, setProblemsFile] = useState('');
  const change = useCallback(
    (by: ListChange): void => setKept(({ list }) => ({ list: list && by(list) })),
    [setKept],
  );
  const read = useMemo(() => {
    if (!draft) return [];
    const kinds = new Map(draft.groups.map(({ id, jointKind }) => [id, siteKindOf(jointKind)]));
    // A group whose kind is not chosen yet is read as the first one; its kind is asked for beside the list.
    const kindOf = (group: string): JointKind => kinds.get(group) ?? (siteKinds()[0] as JointKind);
    return readFastenerLines(draft.lines, { kindOf, siteUnit: site.unit, schools: site.schools });
  }, [draft, site.schools, site.unit]);

  const load = async (file: File): Promise<void> => {
    setProblemsFile(file.name);
    const decoded = decodeText(new Uint8Array(await file.arrayBuffer()));
    if (!decoded.ok) return setProblems([decoded.refusal]);
    const parsed = fastenerLines(decoded.value.text);
    if (!parsed.ok) return setProblems(parsed.refusal);
    const { lines, table } = parsed.value;
    setProblems([]);
    const { separator, ignoredHeadings } = table;
    const settled = await withBookCodes(lines);
    setKept({
      list: {
        groups: groupDrafts(settled),
        file: { name: file.name, encoding: decoded.value.encoding, separator, ignoredHeadings },
        lines: settled,
      },
    });
  };

  const settle = useCallback(
    ({ listed }: ReadLine, column: FastenerColumn, text: string): void =>
      change((list) => {
        const lines = list.lines.map((line) => {
          if (line.line !== listed.line) return line;
          // What is printed stays as evidence; what a person read it as stands beside it. Nothing printed is simply filled in.
          if (column === 'requirement' && (line.cells['requirement'] ?? '').trim() !== '')
            return { ...line, readAs: text.trim() === '' ? null : text.trim(), book: null };
          return { ...line, cells: { ...line.cells, [column]: text.trim() } };
        });
        // A line may have got into another group.
        const fresh = groupDrafts(lines);
        const groups = [
          ...list.groups.filter(({ id }) => fresh.some((group) => group.id === id)),
          ...fresh.filter(({ id }) => list.groups.every((group) => group.id !== id)),
        ];
        return { ...list, lines, groups };
      }),
    [change],
  );

  const takeFromBook = useCallback(
    ({ listed }: ReadLine, { torque, book }: FromBook): void =>
      change((list) => ({
        ...list,
        lines: list.lines.map((line) =>
          line.line === listed.line ? { ...line, readAs: torque.readAs ?? torque.printed, book } : line,
        ),
      })),
    [change],
  );

  const changeGroup = (id: string, part: Partial<GroupDraft>): void =>
    change((list) => ({
      ...list,
      groups: list.groups.map((group) => (group.id === id ? { ...group, ...part } : group)),
    }));
  const moveUp = (id: string): void =>
    change((list) => {
      const groups = [...list.groups];
      const at = groups.findIndex((group) => group.id === id);
      const [moved] = at > 0 ? groups.splice(at, 1) : [];
      return moved ? { ...list, groups: groups.toSpliced(at - 1, 0, moved) } : list;
    });

  return { draft, read, takeFromBook, problems, problemsFile, load, settle, changeGroup, moveUp, forget };
};
