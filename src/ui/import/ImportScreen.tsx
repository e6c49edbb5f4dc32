import BookOpen from 'lucide-react/icons/book-open';
import { useRef, useState } from 'react';
import { call } from '#client/api.ts';
import { newId } from '#client/happen.ts';
import { siteKindOf, takeOwnKinds } from '#client/site-kinds.ts';
import type { FastenerColumn, ReadLine } from '#core/job/fastener-list.ts';
import { ONLY_GROUP } from '#core/job/only-group.ts';
import type { JointKind } from '#core/joint/joint-kind.ts';
import { OPERATIONS } from '#wire/api.ts';
import type { Site } from '#wire/site.ts';
import { requirementWords } from '#wire/words/requirement.ts';
import { Form } from '../kit/form/Form.tsx';
import { SubmitButton } from '../kit/form/SubmitButton.tsx';
import { useKitForm } from '../kit/form/use-kit-form.ts';
import { NewJobWays } from '../layout/NewJobWays.tsx';
import { DoubtsBar } from '../shared/DoubtsBar.tsx';
import { ListPreview } from '../shared/ListPreview.tsx';
import { BookDialog } from '../specs/BookDialog.tsx';
import { GroupChoice } from './GroupChoice.tsx';
import { ImportFacts } from './ImportFacts.tsx';
import { EMPTY_FACTS, importFactsSchema, newJobOf } from './import-draft.ts';
import { ListFileChoice } from './ListFileChoice.tsx';
import { type GroupDraft, useFastenerList } from './use-fastener-list.ts';

const FIRST_COLUMNS = [
  { name: 'Position', column: 'position' },
  { name: 'Label', column: 'label' },
];

/** The columns of the preview: what every list has, and what the kinds of joint of this one add. */
const previewColumns = (groups: readonly GroupDraft[]) => {
  const kinds = groups.flatMap(({ jointKind }) => siteKindOf(jointKind) ?? []);
  const details = new Map(kinds.flatMap((kind) => kind.details.map(({ id, name }) => [id, name] as const)));
  return [
    ...FIRST_COLUMNS,
    ...(groups.length > 1 ? [{ name: 'Group', column: 'group' }] : []),
    { name: 'x mm', column: 'x_mm' },
    { name: 'y mm', column: 'y_mm' },
    ...[...details].map(([column, name]) => ({ name, column })),
  ];
};

const lineWords = ({ fastener, read, listed }: ReadLine) => (
  <>
    {fastener && requirementWords(fastener.requirement.requirement)}
    {listed.book && (
      <span className="block text-s text-faint">
        {listed.book.code}, {listed.book.source.title}, {listed.book.source.place}
      </span>
    )}
    {read && read.alsoPrinted.length > 0 && <span className="text-faint"> both values agree</span>}
  </>
);

const actionWords = (lines: number, unchosen: number, doubts: number): string => {
  if (lines === 0) return 'Choose a list first';
  if (unchosen > 0) return 'Choose the kind of joint';
  if (doubts > 0) return `Settle ${doubts} more ${doubts === 1 ? 'line' : 'lines'}`;
  return lines === 1 ? 'Import the line' : `Import all ${lines} lines`;
};

type Props = { readonly site: Site; readonly ownKinds: readonly JointKind[] };

/** A job from a list of fasteners: choose the file, say what kind of joint each group is, see how each line was read, settle what is in doubt, import all or nothing. */
export const ImportScreen = ({ site, ownKinds }: Props) => {
  takeOwnKinds(ownKinds);
  const form = useKitForm(importFactsSchema, { defaults: EMPTY_FACTS, draft: 'jentik-import-2' });
  const list = useFastenerList(site);
  const [isDoubtsOnly, setDoubtsOnly] = useState(false);
  const [lookingUp, setLookingUp] = useState<ReadLine | null>(null);
  // The same ids until it is imported: a list sent twice becomes one job.
  const attempt = useRef({ jobId: newId(), eventId: newId() });
  const doubts = list.read.filter(({ findings }) => findings.length > 0);
  const groups = list.draft?.groups ?? [];
  const unchosen = groups.filter(({ jointKind }) => jointKind === '').length;
  const shown = isDoubtsOnly && doubts.length > 0 ? doubts : list.read;
  return (
    <Form
      form={form}
      className="mx-auto grid max-w-6xl grid-cols-[minmax(0,1fr)] gap-4"
      onSend={async (facts) => {
        const answer = await call(OPERATIONS.planJob, newJobOf(facts, list.draft, attempt.current));
        if (!answer.ok) return answer.problem;
        list.forget();
        window.location.assign(`/jobs/${answer.value.job}/plan`);
        return null;
      }}
    >
      <NewJobWays way="list" />
      <ImportFacts />
      <section className="panel grid gap-3 p-4">
        <ListFileChoice list={list} />
        {groups.map((group, index) => (
          <GroupChoice
            key={group.id}
            group={group}
            place={groups.length > 1 ? index : null}
            lines={list.read.filter(({ listed }) => (listed.cells['group'] || ONLY_GROUP) === group.id)}
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
              onResolve={list.settle}
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
          about={[lookingUp.listed.cells['label'], ...Object.values(lookingUp.fastener?.details ?? {})]
            .filter(Boolean)
            .join(', ')}
          onClose={() => setLookingUp(null)}
          onTake={(taken) => {
            list.takeFromBook(lookingUp, taken);
            setLookingUp(null);
          }}
        />
      )}
      <SubmitButton
        className="sticky bottom-16 text-l sm:bottom-2"
        isHeld={list.read.length === 0 || unchosen > 0 || doubts.length > 0}
      >
        {actionWords(list.read.length, unchosen, doubts.length)}
      </SubmitButton>
    </Form>
  );
};
