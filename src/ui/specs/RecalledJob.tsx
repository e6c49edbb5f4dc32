import { useState } from 'react';
import type { Person } from '#core/people/person.ts';
import type { TorqueUnit } from '#core/quantity/unit.ts';
import type { RecallDecision, RecalledByValue } from '#wire/recall.ts';
import { alikeRecalled } from '#wire/words/recall.ts';
import { DecidedLine, RecallDecisions } from '../shared/RecallDecisions.tsx';
import { RecalledHead } from '../shared/RecalledHead.tsx';

const FIRST = 6;

type Props = {
  readonly job: RecalledByValue;
  /** Whether anything in force says what its fasteners should be. */
  readonly hasValue: boolean;
  readonly unit: TorqueUnit;
  readonly person: Person;
  readonly onDecide: (what: RecallDecision, why: string) => void;
};

/** A job with fasteners that do not conform by the value in force, what to do about it, and what was decided. */
export const RecalledJob = ({ job, hasValue, unit, person, onDecide }: Props) => {
  const [isAll, setAll] = useState(false);
  const { recalled, pulled, isOpen, decision, recheckJobId } = job;
  const worst = recalled.find(({ outsidePercent }) => outsidePercent !== null)?.outsidePercent ?? null;
  return (
    <li className="panel grid gap-2 p-4" data-testid="recalled-job">
      <RecalledHead job={job} farthestPercent={worst} />
      <p>
        {recalled.length} of {pulled} {pulled === 1 ? 'fastener' : 'fasteners'}{' '}
        {recalled.length === 1 ? 'does' : 'do'} not conform by it.{' '}
        {isOpen
          ? 'The job is open: its Plan moves them to the value in force.'
          : 'The job is signed: its record stays as it was, and the rework is a job of its own.'}
        {!hasValue &&
          ' A re-check needs a value in force for the same part and size: keep it in Specs first.'}
      </p>
      <ol className="grid gap-1 text-s" data-testid="work-list">
        {[...alikeRecalled(recalled, unit)].map(([words, positions]) => (
          <li key={words}>
            <strong className="font-mono">{positions.slice(0, isAll ? undefined : FIRST).join(', ')}</strong>
            {!isAll && positions.length > FIRST && ` and ${positions.length - FIRST} more`}: {words}
          </li>
        ))}
      </ol>
      {recalled.length > FIRST && (
        <button
          type="button"
          className="act-quiet justify-self-start"
          aria-expanded={isAll}
          onClick={() => setAll(!isAll)}
        >
          {isAll ? 'Fewer names' : `All ${recalled.length} by name`}
        </button>
      )}
      <DecidedLine decision={decision} />
      <div className="flex flex-wrap gap-2">
        {isOpen && decision === null && hasValue && (
          <a className="act" href={`/jobs/${job.jobId}/plan`}>
            Move them on its Plan
          </a>
        )}
        {recheckJobId && (
          <a className="act-quiet" href={`/jobs/${recheckJobId}/plan`}>
            The rework
          </a>
        )}
        <RecallDecisions
          isFirst={!isOpen}
          jobNumber={job.number}
          decision={job.decision}
          person={person}
          onDecide={onDecide}
        />
      </div>
    </li>
  );
};
