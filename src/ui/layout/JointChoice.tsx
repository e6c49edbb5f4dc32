import BookOpen from 'lucide-react/icons/book-open';
import { useState } from 'react';
import { type BoardGroup, changeGroup } from '#client/layout/board-store.ts';
import { siteKindOf, siteKinds } from '#client/site-kinds.ts';
import { proofWarningInBook } from '#core/preload/proof-warning.ts';
import { resolvedRequirement } from '#core/spec/requirement/resolved-requirement.ts';
import { problemDetails } from '#wire/problems/problem-details.ts';
import type { Site } from '#wire/site.ts';
import { requirementWords } from '#wire/words/requirement.ts';
import { LoneChoice } from '../kit/form/LoneChoice.tsx';
import { LoneField } from '../kit/form/LoneField.tsx';
import { ProblemNotice } from '../kit/ProblemNotice.tsx';
import { ProofNotice } from '../preload/ProofNotice.tsx';
import { BookDialog } from '../specs/BookDialog.tsx';
import { KindFacts } from './KindFacts.tsx';

type Props = { readonly group: BoardGroup; readonly site: Site };

/** What is worked: its kind of joint, the value as it is printed or out of the book, and the thread. */
export const JointChoice = ({ group, site }: Props) => {
  const [isLooking, setLooking] = useState(false);
  const kind = siteKindOf(group.jointKind);
  const read =
    group.requirement.trim() === '' || group.taken ? null : resolvedRequirement(group.requirement, site.unit);
  return (
    <div className="grid gap-3">
      <LoneChoice
        label="Kind of joint"
        name="jointKind"
        value={group.jointKind}
        options={[['', 'choose …'], ...siteKinds().map(({ code, name }) => [code, name] as const)]}
        onChoose={(jointKind) => changeGroup({ jointKind })}
      />
      {kind && <KindFacts kind={kind} />}
      <div className="grid grid-cols-[minmax(0,1fr)_7rem] items-end gap-2">
        <LoneField
          label="Torque, as it is printed"
          name="requirement"
          text={group.requirement}
          onText={(requirement) => changeGroup({ requirement, taken: null })}
          maxLength={200}
        />
        <LoneField
          label="Thread"
          name="thread"
          text={group.thread}
          onText={(thread) => changeGroup({ thread })}
          maxLength={40}
        />
      </div>
      {read?.ok && <p className="text-s">{requirementWords(read.value.requirement)}</p>}
      {read && !read.ok && <ProblemNotice problem={problemDetails(read.refusal)} />}
      {group.taken && (
        <ProofNotice
          warning={proofWarningInBook(group.taken.torque, group.taken.book.conditions, group.thread)}
        />
      )}
      {group.taken && (
        <p className="text-s text-faint">
          {group.taken.book.code}, {group.taken.book.source.title}, {group.taken.book.source.place}
        </p>
      )}
      <button type="button" className="act-quiet justify-self-start" onClick={() => setLooking(true)}>
        <BookOpen size={18} aria-hidden="true" /> From the spec book
      </button>
      {isLooking && (
        <BookDialog
          site={site}
          about={kind?.name ?? ''}
          onClose={() => setLooking(false)}
          onTake={(taken) => {
            changeGroup({ requirement: taken.torque.printed, taken });
            setLooking(false);
          }}
        />
      )}
    </div>
  );
};
