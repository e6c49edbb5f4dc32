import Download from 'lucide-react/icons/download';
import { useState } from 'react';
import type { KeptEvent } from '#core/event/lifted.ts';
import { may } from '#core/people/may.ts';
import type { Person } from '#core/people/person.ts';
import { fastenerAt } from '#core/view/bench.ts';
import { type OpenItem, openItems } from '#core/view/open-items.ts';
import type { CribTool } from '#wire/tool.ts';
import { CAUTION_WORDS } from '#wire/words/cautions.ts';
import { toolOutWords } from '#wire/words/tool.ts';
import { STATUS_WORDS } from '#wire/words/verdict.ts';
import { localTime } from '../shared/local-time.ts';
import { StatusIcon } from '../shared/StatusIcon.tsx';
import { WhyDialog } from '../shared/WhyDialog.tsx';
import { BesideSignature } from './BesideSignature.tsx';
import { JobHeader } from './JobHeader.tsx';
import { SignatureList } from './SignatureList.tsx';
import { SignForm } from './SignForm.tsx';
import { type OpenJob, useJob } from './use-job.ts';

type Props = {
  readonly events: readonly KeptEvent[];
  readonly tools: readonly CribTool[];
  readonly person: Person;
  readonly people: readonly Person[];
  readonly fingerprint: string;
};

const OpenList = ({
  job,
  onLeave,
}: {
  readonly job: OpenJob;
  readonly onLeave: (item: OpenItem) => void;
}) => {
  const items = openItems(job.state);
  if (items.length === 0) return <p>None: every fastener is in acceptance.</p>;
  return (
    <ul className="grid gap-1">
      {items.map((item) => (
        <li key={item.position} className="flex flex-wrap items-center gap-3 border-b border-rule py-1">
          <StatusIcon
            status={item.status}
            drive={fastenerAt(job.state, item.position)?.planned.drive ?? 'slot'}
          />
          <span className="min-w-0 flex-1 basis-40">
            <strong className="font-mono">{item.position}</strong> {item.label}: {STATUS_WORDS[item.status]}
            {item.leftOpenWhy !== null && (
              <span className="block text-faint">Left open: {item.leftOpenWhy}</span>
            )}
          </span>
          {item.leftOpenWhy === null && (
            <button type="button" className="act-quiet" disabled={!job.isReady} onClick={() => onLeave(item)}>
              Leave it open
            </button>
          )}
        </li>
      ))}
    </ul>
  );
};

/** A job's end: what is open, who confirmed and signed, the second signature by someone else, and the record to take away. */
export const SignScreen = ({ events, person, people, fingerprint, tools }: Props) => {
  const job = useJob(events[0]?.job ?? '', events, person);
  const [leaving, setLeaving] = useState<OpenItem | null>(null);
  const [isReopening, setReopening] = useState(false);
  const { state } = job;
  const done = state.signatures.find(({ meaning }) => meaning === 'done');
  const inspected = state.signatures.find(({ meaning }) => meaning === 'inspected');
  const isUnexplained = openItems(state).some(({ leftOpenWhy }) => leftOpenWhy === null);
  const inspectors = people.filter((each) => may(each, 'sign-inspected') && each.id !== done?.person.id);
  const isHeld = job.waiting > 0 || !job.isReady;
  return (
    <>
      <JobHeader job={job} tab="sign" />
      <div className="grid min-h-0 flex-1 content-start items-start gap-4 overflow-y-auto p-4 sm:p-6 lg:grid-cols-2">
        <section className="panel p-4">
          <h2 className="mb-2 text-l font-bold">Open items</h2>
          <OpenList job={job} onLeave={setLeaving} />
          <h2 className="mt-5 mb-2 text-l font-bold">Cautions</h2>
          {state.cautions ? (
            <p>
              Confirmed by {state.cautions.person.name}, {localTime(state.cautions.deviceTime)}:{' '}
              {state.cautions.confirmed.map((id) => CAUTION_WORDS[id].title.toLowerCase()).join(', ')}.
            </p>
          ) : (
            <p>Not confirmed yet; they come before the first pull.</p>
          )}
        </section>
        <section className="grid content-start gap-4">
          <div className="panel p-4">
            <h2 className="mb-2 text-l font-bold">Signatures</h2>
            {state.override && (
              <p className="mb-2 rounded-md border-2 border-low p-2">
                <strong>{state.tool?.code} was used all the same:</strong>{' '}
                {toolOutWords(state.override.blocks)}. {state.override.by} allowed it: {state.override.why}
              </p>
            )}
            <SignatureList state={state} />
            {isUnexplained && <p>Before anyone signs, each open item is pulled or gets a reason.</p>}
            {!isUnexplained && !done && (
              <SignForm
                key="done"
                job={state.job}
                meaning="done"
                people={people}
                first={person}
                isHeld={isHeld}
                head={job.head}
                onSigned={(event) => job.take([event])}
                onMoved={() => void job.catchUp()}
              />
            )}
            {done && !inspected && inspectors[0] && (
              <div className="mt-3">
                <SignForm
                  key="inspected"
                  job={state.job}
                  meaning="inspected"
                  people={inspectors}
                  first={inspectors[0]}
                  isHeld={isHeld}
                  head={job.head}
                  onSigned={(event) => job.take([event])}
                  onMoved={() => void job.catchUp()}
                />
              </div>
            )}
            {done && !inspected && !inspectors[0] && (
              <p className="mt-3">
                A second person inspects, and nobody else here is an inspector or lead.{' '}
                <a href="/settings">Add one under Settings.</a>
              </p>
            )}
            {done && may(person, 'reopen-job') && (
              <button type="button" className="act-quiet mt-3" onClick={() => setReopening(true)}>
                Open the job again
              </button>
            )}
          </div>
          <BesideSignature job={job} tools={tools} />
          <div className="panel p-4">
            <h2 className="mb-2 text-l font-bold">The record</h2>
            <p className="mb-3">
              Every event with its hash, and what they prove. Anyone checks it without this site:{' '}
              <code className="font-mono text-s">npm run verify -- FILE</code>. This site’s key is{' '}
              <strong className="font-mono whitespace-nowrap" data-testid="fingerprint">
                {fingerprint}
              </strong>
              ; tell it to the reader by another way than the file.
            </p>
            <div className="flex flex-wrap gap-2">
              <a className="act" href={`/api/v1/jobs/${state.job}/record.json`} download>
                <Download size={18} aria-hidden="true" /> Record (JSON)
              </a>
              <a className="act-quiet" href={`/api/v1/jobs/${state.job}/pulls.csv`} download>
                <Download size={18} aria-hidden="true" /> Pulls (CSV)
              </a>
            </div>
          </div>
        </section>
      </div>
      {leaving && (
        <WhyDialog
          title={`Leave ${leaving.position} open`}
          explanation="It is not in acceptance. The reason stands in the record beside your name."
          action="Leave it open"
          usual={['spare, no conductor', 'part on order', 'no access today', 'to be checked with a tool']}
          onClose={() => setLeaving(null)}
          onDone={(why) => {
            job.happen({ kind: 'left-open', body: { position: leaving.position, why } });
            setLeaving(null);
          }}
        />
      )}
      {isReopening && (
        <WhyDialog
          title="Open the job again"
          explanation="Its signatures are struck out and stay in the record."
          action="Open it again"
          usual={['found loose at inspection', 'wrong source used', 'more work to do']}
          onClose={() => setReopening(false)}
          onDone={(why) => {
            job.happen({ kind: 'job-reopened', body: { why } });
            setReopening(false);
          }}
        />
      )}
    </>
  );
};
