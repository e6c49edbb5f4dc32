import { useState } from 'react';
import { unitSymbol } from '#core/quantity/unit.ts';
import type { CribTool } from '#wire/tool.ts';
import { CHECK_METHOD_WORDS, CHECK_PURPOSE_WORDS } from '#wire/words/check.ts';
import { timeHere } from '../../kit/time/here.ts';
import type { OpenJob } from '../use-job.ts';
import { CheckForm } from './CheckForm.tsx';

/** Checks of finished fasteners, settling readings and recalls: they stand beside the signatures and strike none. */
export const BesideSignature = ({
  job,
  tools,
}: {
  readonly job: OpenJob;
  readonly tools: readonly CribTool[];
}) => {
  const [isChecking, setChecking] = useState(false);
  const { checks, recalls, valueRecalls, fasteners } = job.view;
  const isAnyPulled = fasteners.some(({ pulls }) => pulls.some(({ voided }) => voided === null));
  return (
    <div className="panel p-4">
      <h2 className="mb-2 text-l font-bold">Beside the signatures</h2>
      {checks.length + recalls.length + valueRecalls.length === 0 && (
        <p>
          No check, settling reading or recall yet. They can be added at any time and leave the signatures as
          they are.
        </p>
      )}
      {checks.map((check) => (
        <p key={check.eventId} className="border-b border-rule py-2">
          <strong>{check.position}</strong> {CHECK_PURPOSE_WORDS[check.purpose]},{' '}
          {CHECK_METHOD_WORDS[check.method]}:{' '}
          <span className="whitespace-nowrap">
            {check.reading.text} {unitSymbol(check.reading.unit)}
          </span>
          ,{' '}
          <strong className={check.isInside ? 'text-in' : 'text-high'}>
            {check.isInside ? 'inside' : 'outside'} acceptance
          </strong>
          {!check.isInside && '. Open the job again, loosen it, inspect the thread, pull it anew.'}{' '}
          <span className="text-faint">
            {check.tool.code}, serial {check.tool.serial} · {check.person.name} · {timeHere(check.at)}
            {check.note && ` · ${check.note}`}
          </span>
        </p>
      ))}
      {recalls.map((recall) => (
        <p key={recall.eventId} className="border-b border-rule py-2">
          <strong>Recall of {recall.toolCode}</strong>: {recall.what}, {recall.outside} of its pulls outside
          at worst. {recall.person.name}: {recall.why}{' '}
          <span className="text-faint">{timeHere(recall.at)}</span>
        </p>
      ))}
      {valueRecalls.map((recall) => (
        <p key={recall.eventId} className="border-b border-rule py-2">
          <strong>
            {recall.code} changed, revision {recall.revision}
          </strong>
          : {recall.what}, {recall.outside} {recall.outside === 1 ? 'fastener does' : 'fasteners do'} not
          conform by it. {recall.person.name}: {recall.why}{' '}
          {recall.recheckJobId && <a href={`/jobs/${recall.recheckJobId}/plan`}>The rework</a>}{' '}
          <span className="text-faint">{timeHere(recall.at)}</span>
        </p>
      ))}
      {isAnyPulled && (
        <button
          type="button"
          className="act-quiet mt-3"
          disabled={!job.isReady}
          onClick={() => setChecking(true)}
        >
          Record a check
        </button>
      )}
      {isChecking && <CheckForm job={job} tools={tools} onClose={() => setChecking(false)} />}
    </div>
  );
};
