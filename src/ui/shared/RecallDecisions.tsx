import { useState } from 'react';
import { may } from '#core/people/may.ts';
import type { Person } from '#core/people/person.ts';
import { RECALL_DECISIONS, type RecallDecision } from '#wire/recall.ts';
import { RECALL_DECISION_WORDS } from '#wire/words/recall.ts';
import { WhyDialog } from '../kit/WhyDialog.tsx';

type Props = {
  readonly jobNumber: string;
  readonly decision: { readonly what: string; readonly why: string; readonly by: string } | null;
  /** Whether a re-check is what is usually next. */
  readonly isFirst?: boolean;
  readonly person: Person;
  readonly onDecide: (what: RecallDecision, why: string) => void;
};

/** What was decided about a recalled job, in words. */
export const DecidedLine = ({ decision }: Pick<Props, 'decision'>) =>
  decision && (
    <p>
      <strong>
        {(RECALL_DECISION_WORDS as Readonly<Record<string, string>>)[decision.what] ?? decision.what}
      </strong>
      , {decision.by}: {decision.why}
    </p>
  );

/** The decisions a lead may take about a recalled job, each with a reason that stays. */
export const RecallDecisions = ({ jobNumber, decision, isFirst = true, person, onDecide }: Props) => {
  const isNext = isFirst && decision === null;
  const [asked, setAsked] = useState<RecallDecision | null>(null);
  if (!may(person, 'decide-recall')) return null;
  return (
    <>
      {RECALL_DECISIONS.map((what) => (
        <button
          key={what}
          type="button"
          className={what === 're-check' && isNext ? 'act' : 'act-quiet'}
          onClick={() => setAsked(what)}
        >
          {RECALL_DECISION_WORDS[what]} …
        </button>
      ))}
      {asked && (
        <WhyDialog
          title={`${RECALL_DECISION_WORDS[asked]}: job ${jobNumber}`}
          explanation={`The decision and its reason stay in the job’s record.${asked === 're-check' ? ' A new job opens with the fasteners that are outside.' : ''}`}
          action="Decide so"
          usual={['within what the joint stands', 'safety matters here', 'access is open this week']}
          onClose={() => setAsked(null)}
          onDone={(why) => {
            onDecide(asked, why);
            setAsked(null);
          }}
        />
      )}
    </>
  );
};
