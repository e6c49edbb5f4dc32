import { useState } from 'react';
import { changedByRules } from '#core/command/judgement.ts';
import { may } from '#core/people/may.ts';
import type { Person } from '#core/people/person.ts';
import { NEWEST_RULES, rulesOf } from '#core/rules/rules-by-number.ts';
import type { JobView } from '#core/view/job-view.ts';
import { RULES_WORDS } from '#wire/words/rules.ts';
import { STATUS_WORDS } from '#wire/words/verdict.ts';
import { WhyDialog } from '../../kit/WhyDialog.tsx';
import type { OpenJob } from '../use-job.ts';

const Differing = ({ state }: { readonly state: JobView }) => {
  const differing = changedByRules(state, NEWEST_RULES);
  if (differing.length === 0)
    return <p className="my-2">No verdict given so far would be another under the newer rules.</p>;
  return (
    <>
      <p className="my-2">
        {differing.length === 1
          ? 'One verdict would be another'
          : `${differing.length} verdicts would be others`}
        ; what was given stays as it is:
      </p>
      <ul className="max-h-48 overflow-y-auto">
        {differing.map(({ position, pullId, was, would }) => (
          <li key={pullId} className="border-b border-rule py-1">
            <strong>{position}</strong>: {STATUS_WORDS[was]}, would be <strong>{STATUS_WORDS[would]}</strong>
          </li>
        ))}
      </ul>
    </>
  );
};

/** By which rules a job is judged; where they are not the newest, what a lead can do about it. */
export const RulesPanel = ({ job, person }: { readonly job: OpenJob; readonly person: Person }) => {
  const [isMoving, setMoving] = useState(false);
  const state = job.view;
  const last = state.rulesMoves.at(-1);
  if (state.rules === NEWEST_RULES.number && !last) return null;
  const isOld = rulesOf(state.rules) !== null && state.rules < NEWEST_RULES.number;
  return (
    <div className="panel p-4">
      <h2 className="mb-1 text-l font-bold">Judged by rules {state.rules}</h2>
      {last && (
        <p>
          Moved from rules {last.from} by {last.person.name}: {last.why}
        </p>
      )}
      {isOld && (
        <>
          <p>
            The job was planned under them and keeps them. Rules {NEWEST_RULES.number} are newer:{' '}
            {RULES_WORDS[NEWEST_RULES.number]}
          </p>
          <Differing state={state} />
          {may(person, 'move-rules') && state.signatures.length === 0 ? (
            <button
              type="button"
              className="act-quiet"
              disabled={!job.isReady}
              onClick={() => setMoving(true)}
            >
              Move it to rules {NEWEST_RULES.number} …
            </button>
          ) : (
            <p className="text-faint">
              {state.signatures.length > 0 ? 'It is signed, so it stays.' : 'A lead can move it.'}
            </p>
          )}
        </>
      )}
      {isMoving && (
        <WhyDialog
          title={`Judge this job by rules ${NEWEST_RULES.number}`}
          explanation="Pulls from now on are judged by them. What was judged stays as it was; the record shows the move, your reason, and every verdict that would differ."
          action="Move it"
          usual={['tool was calibrated meanwhile', 'customer asks for the newer rules']}
          onClose={() => setMoving(false)}
          onDone={(why) => {
            const body = { from: state.rules, to: NEWEST_RULES.number, why, differing: [] };
            job.happen({ kind: 'rules-moved', body });
            setMoving(false);
          }}
        />
      )}
    </div>
  );
};
