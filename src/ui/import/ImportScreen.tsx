import BookOpen from 'lucide-react/icons/book-open';
import { useRef, useState } from 'react';
import { call } from '#client/api.ts';
import { deviceNow, newId } from '#client/happen.ts';
import {
  FASTENER_COLUMNS,
  type FastenerColumn,
  OPTIONAL_COLUMNS,
  type ReadLine,
} from '#core/job/fastener-list.ts';
import { ONLY_GROUP } from '#core/job/only-group.ts';
import { JOINT_KINDS, jointKindOf } from '#core/joint/joint-kinds.ts';
import { OPERATIONS } from '#wire/api.ts';
import { type ProblemDetails, problemDetails } from '#wire/problems/problem-details.ts';
import type { Site } from '#wire/site.ts';
import { requirementWords } from '#wire/words/requirement.ts';
import { DoubtsBar } from '../shared/DoubtsBar.tsx';
import { FileButton, LIST_FILES } from '../shared/FileButton.tsx';
import { ListPreview } from '../shared/ListPreview.tsx';
import { ProblemNotice } from '../shared/ProblemNotice.tsx';
import { ReadyForm } from '../shared/ReadyForm.tsx';
import { useKeptDraft } from '../shared/use-kept-draft.ts';
import { BookDialog } from '../specs/BookDialog.tsx';
import { GroupChoice } from './GroupChoice.tsx';
import { type FastenerListDraft, type GroupDraft, useFastenerList } from './use-fastener-list.ts';

type Draft = {
  readonly title: string;
  readonly sourceTitle: string;
  readonly revision: string;
  readonly place: string;
  readonly assetCode: string;
  readonly assetName: string;
  readonly list: FastenerListDraft | null;
};

const EMPTY: Draft = {
  title: '',
  sourceTitle: '',
  revision: '',
  place: '',
  assetCode: '',
  assetName: '',
  list: null,
};
const DRAFT_KEY = 'jentik-import-2';
const SEPARATOR_NAMES = { ',': 'comma', ';': 'semicolon', '\t': 'tab', '|': 'bar' };

const revive = (kept: unknown): Draft | null =>
  typeof kept === 'object' && kept !== null && 'title' in kept ? { ...EMPTY, ...(kept as Draft) } : null;

const FIRST_COLUMNS = [
  { name: 'Position', column: 'position' },
  { name: 'Label', column: 'label' },
];

/** The columns of the preview: what every list has, and what the kinds of joint of this one add. */
const previewColumns = (groups: readonly GroupDraft[]) => {
  const kinds = groups.flatMap(({ jointKind }) => jointKindOf(jointKind) ?? []);
  const details = new Map(kinds.flatMap((kind) => kind.details.map(({ id, name }) => [id, name] as const)));
  return [
    ...FIRST_COLUMNS,
    ...(groups.length > 1 ? [{ name: 'Group', column: 'group' }] : []),
    { name: 'x mm', column: 'x_mm' },
    { name: 'y mm', column: 'y_mm' },
    ...[...details].map(([column, name]) => ({ name, column })),
  ];
};

const textCells = (cells: Readonly<Record<string, string | undefined>>): Record<string, string> =>
  Object.fromEntries(
    Object.entries(cells).flatMap(([key, text]) => (text === undefined ? [] : [[key, text]])),
  );

const lineWords = ({ fastener, read, source }: ReadLine) => (
  <>
    {fastener && requirementWords(fastener.requirement.requirement)}
    {source.book && (
      <span className="block text-s text-faint">
        {source.book.code}, {source.book.source.title}, {source.book.source.place}
      </span>
    )}
    {read && read.alsoPrinted.length > 0 && <span className="text-faint"> both values agree</span>}
  </>
);

const FIELDS = [
  { id: 'title', name: 'What is it', hint: 'Dome drive cabinet, strip X3', isNeeded: true, longest: 120 },
  {
    id: 'sourceTitle',
    name: 'Where the values are printed',
    hint: 'Terminal schedule, or the label’s place',
    isNeeded: true,
    longest: 120,
  },
  { id: 'revision', name: 'Revision', hint: 'B', isNeeded: false, longest: 40 },
  { id: 'place', name: 'Page or place', hint: 'sheet 2, inside the door', isNeeded: false, longest: 120 },
  { id: 'assetCode', name: 'Code of the machine', hint: 'M-02', isNeeded: false, longest: 40 },
  { id: 'assetName', name: 'What machine it is', hint: 'mill in the shop', isNeeded: false, longest: 80 },
] as const;

/** A job from a list of fasteners: choose the file, say what kind of joint each group is, see how each line was read, settle what is in doubt, import all or nothing. */
export const ImportScreen = ({ site }: { readonly site: Site }) => {
  const [draft, setDraft, forget] = useKeptDraft<Draft>(DRAFT_KEY, EMPTY, revive);
  const list = useFastenerList(site, draft.list, (next) => setDraft({ ...draft, list: next }));
  const [isDoubtsOnly, setDoubtsOnly] = useState(false);
  const [lookingUp, setLookingUp] = useState<ReadLine | null>(null);
  const [problem, setProblem] = useState<ProblemDetails | null>(null);
  const [isBusy, setBusy] = useState(false);
  // The same ids until it is imported: a list sent twice becomes one job.
  const attempt = useRef({ jobId: newId(), eventId: newId() });
  const doubts = list.read.filter(({ findings }) => findings.length > 0);
  const groups = draft.list?.groups ?? [];
  const unchosen = groups.filter(({ jointKind }) => jointKind === '').length;
  const shown = isDoubtsOnly && doubts.length > 0 ? doubts : list.read;
  const importAll = async (): Promise<void> => {
    setBusy(true);
    const answer = await call(OPERATIONS.planJob, {
      ...attempt.current,
      deviceTime: deviceNow(),
      title: draft.title,
      source: { title: draft.sourceTitle, revision: draft.revision, place: draft.place },
      asset: draft.assetCode.trim()
        ? { code: draft.assetCode, name: draft.assetName.trim() || draft.assetCode }
        : null,
      groups: groups.map((group) => ({
        ...group,
        title: group.title || draft.title.slice(0, 80),
        irreplaceable: [...group.irreplaceable],
      })),
      lines: draft.list
        ? draft.list.lines.map(({ line, cells, readAs, book }) => ({
            line,
            cells: textCells(cells),
            readAs,
            book: book ?? null,
          }))
        : [],
    });
    setBusy(false);
    if (!answer.ok) return setProblem(answer.problem);
    forget();
    window.location.assign(`/jobs/${answer.value.job}/plan`);
  };
  const { file } = draft.list ?? {};
  return (
    <ReadyForm
      className="mx-auto grid max-w-6xl grid-cols-[minmax(0,1fr)] gap-4"
      onSubmit={() => void importAll()}
    >
      <h1 className="text-xl font-bold">New job from a list</h1>
      <section className="panel grid gap-3 p-4 sm:grid-cols-2">
        {FIELDS.map(({ id, name, hint, isNeeded, longest }) => (
          <label key={id} className={id === 'title' ? 'sm:col-span-2' : ''}>
            {name}
            {!isNeeded && <span className="text-faint"> (if it has one)</span>}
            <input
              className="field mt-1"
              name={id}
              value={draft[id]}
              placeholder={hint}
              required={isNeeded}
              maxLength={longest}
              onChange={(event) => setDraft({ ...draft, [id]: event.target.value })}
            />
          </label>
        ))}
      </section>
      <section className="panel grid gap-3 p-4">
        <div className="flex flex-wrap items-center gap-4">
          <FileButton
            words={file ? 'Choose another list' : 'Choose the list (CSV)'}
            accept={LIST_FILES}
            onFile={(chosen) => void list.load(chosen)}
          />
          {file ? (
            <p className="text-s text-faint">
              {file.name}: {list.read.length} lines, {file.encoding}, separated by{' '}
              {SEPARATOR_NAMES[file.separator]}
              {file.ignoredHeadings.length > 0 && `; not read: ${file.ignoredHeadings.join(', ')}`}. Units
              without doubt are kept as printed; the site’s unit is never put in their place.
            </p>
          ) : (
            <p className="text-s text-faint">
              Columns in any order: {FASTENER_COLUMNS.join(', ')}; if you have them{' '}
              {OPTIONAL_COLUMNS.join(', ')}, and what the kind of joint adds:{' '}
              {JOINT_KINDS.flatMap(({ details }) => details.map(({ id }) => id)).join(', ')}. x to the right
              and y downwards, in millimetres from the top left.
            </p>
          )}
        </div>
        {list.problems.length > 0 && (
          <div className="grid gap-2" data-testid="file-problems">
            <p>
              <strong>{list.problemsFile}</strong> was not read
              {file ? '; the list below is the one before' : ''}:
            </p>
            {list.problems.slice(0, 20).map((each) => (
              <ProblemNotice key={JSON.stringify(each)} problem={problemDetails(each)} />
            ))}
            {list.problems.length > 20 && <p>and {list.problems.length - 20} more lines.</p>}
          </div>
        )}
        {groups.map((group, index) => (
          <GroupChoice
            key={group.id}
            group={group}
            place={groups.length > 1 ? index : null}
            lines={list.read.filter(({ source }) => (source.cells['group'] || ONLY_GROUP) === group.id)}
            onChange={(change) => list.changeGroup(group.id, change)}
            onUp={() => list.moveUp(group.id)}
          />
        ))}
        {list.read.length > 0 && (
          <>
            <DoubtsBar
              total={list.read.length}
              doubts={doubts.length}
              isDoubtsOnly={isDoubtsOnly}
              onDoubtsOnly={setDoubtsOnly}
            />
            <ListPreview<FastenerColumn, ReadLine>
              lines={shown}
              printed="requirement"
              columns={previewColumns(groups)}
              words={lineWords}
              onSettle={list.settle}
              otherWay={(line, column) =>
                column === 'requirement' && (
                  <button type="button" className="act-quiet" onClick={() => setLookingUp(line)}>
                    <BookOpen size={18} aria-hidden="true" /> From the spec book
                  </button>
                )
              }
            />
          </>
        )}
      </section>
      {lookingUp && (
        <BookDialog
          site={site}
          about={[lookingUp.source.cells['label'], ...Object.values(lookingUp.fastener?.details ?? {})]
            .filter(Boolean)
            .join(', ')}
          onClose={() => setLookingUp(null)}
          onTake={(taken) => {
            list.takeFromBook(lookingUp, taken);
            setLookingUp(null);
          }}
        />
      )}
      <ProblemNotice problem={problem} />
      <button
        type="submit"
        className="act sticky bottom-16 min-h-14 text-l sm:bottom-2"
        disabled={isBusy || list.read.length === 0 || unchosen > 0 || doubts.length > 0}
      >
        {list.read.length === 0
          ? 'Choose a list first'
          : unchosen > 0
            ? 'Choose the kind of joint'
            : doubts.length > 0
              ? `Settle ${doubts.length} more ${doubts.length === 1 ? 'line' : 'lines'}`
              : `Import all ${list.read.length} lines`}
      </button>
    </ReadyForm>
  );
};
