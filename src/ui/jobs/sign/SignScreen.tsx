import Download from 'lucide-react/icons/download';
import { useState } from 'react';
import type { LedgerEvent } from '#core/event/lifted.ts';
import { kindsOf } from '#core/job/plan.ts';
import { may } from '#core/people/may.ts';
import type { Person } from '#core/people/person.ts';
import { isReadyToSign, type OpenItem } from '#core/view/open-items.ts';
import type { CribTool } from '#wire/tool.ts';
import { toolOutWords } from '#wire/words/tool.ts';
import { WhyDialog } from '../../kit/WhyDialog.tsx';
import { JobHeader } from '../JobHeader.tsx';
import { type OpenJob, useJob } from '../use-job.ts';
import { BesideSignature } from './BesideSignature.tsx';
import { OpenList } from './OpenList.tsx';
import { SignatureList } from './SignatureList.tsx';
import { SignForm } from './SignForm.tsx';
import { SignSummary } from './SignSummary.tsx';
import { StepsDone } from './StepsDone.tsx';

type Props = {
  readonly events: readonly LedgerEvent[];
  readonly tools: readonly CribTool[];
  readonly person: Person;
  readonly people: readonly Person[];
  readonly fingerprint: string;
};

/** Tools that a lead let be used although something stood against them. */
const Overrides = ({ view }: { readonly view: OpenJob['view'] }) =>
  [...view.takenTools.values()].map(
    ({ tool, override }) =>
      override && (
        <p key={tool.id} className="mb-2 rounded-md border-2 border-low p-2">
          <strong>{tool.code} was used all the same:</strong> {toolOutWords(override.blocks)}. {override.by}{' '}
          allowed it: {override.why}
        </p>
      ),
  );

const RecordPanel = ({ job, fingerprint }: { readonly job: string; readonly fingerprint: string }) => (
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
      <a className="act" href={`/api/v1/jobs/${job}/record.json`} download>
        <Download size={18} aria-hidden="true" /> Record (JSON)
      </a>
      <a className="act-quiet" href={`/api/v1/jobs/${job}/pulls.csv`} download>
        <Download size={18} aria-hidden="true" /> Pulls (CSV)
      </a>
    </div>
  </div>
);

/** A job's end: what is open, who confirmed and signed, the second signature by someone else, and the record to take away. */
export const SignScreen = ({ events, person, people, fingerprint, tools }: Props) => {
  const job = useJob(events[0]?.job ?? '', events, person);
  const [leaving, setLeaving] = useState<readonly OpenItem[]>([]);
  const [isReopening, setReopening] = useState(false);
  const state = job.view;
  const done = state.signatures.find(({ meaning }) => meaning === 'done');
  const inspected = state.signatures.find(({ meaning }) => meaning === 'inspected');
  const isUnexplained = !isReadyToSign(state);
  const inspectors = people.filter((each) => may(each, 'sign-inspected') && each.id !== done?.person.id);
  const isHeld = job.waiting > 0 || !job.isReady;
  return (
    <>
      <JobHeader job={job} tab="sign" />
      <div className="grid min-h-0 flex-1 content-start items-start gap-4 overflow-y-auto p-4 sm:p-6 lg:grid-cols-2">
        <div className="grid content-start gap-4">
          <section className="panel p-4">
            <h2 className="mb-2 text-l font-bold">Open items</h2>
            <OpenList job={job} onLeave={setLeaving} />
          </section>
          <SignSummary view={state} />
          <section className="panel p-4">
            <StepsDone view={state} />
          </section>
        </div>
        <section className="grid content-start gap-4">
          <div className="panel p-4">
            <h2 className="mb-2 text-l font-bold">Signatures</h2>
            <Overrides view={state} />
            <SignatureList state={state} />
            {isUnexplained && <p>Before anyone signs, each open item is pulled or done, or gets a reason.</p>}
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
                  first={inspectors.find(({ id }) => id === person.id) ?? null}
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
          <RecordPanel job={state.job} fingerprint={fingerprint} />
        </section>
      </div>
      {leaving.length > 0 && (
        <WhyDialog
          title={
            leaving.length === 1
              ? `Leave ${leaving[0]?.position} open`
              : `Leave ${leaving.length} fasteners open`
          }
          explanation={
            leaving.length === 1
              ? 'It is not in acceptance. The reason stands in the record beside your name.'
              : `${leaving.map(({ position }) => position).join(', ')}: none is in acceptance. The reason stands in the record at each, beside your name.`
          }
          action={leaving.length === 1 ? 'Leave it open' : `Leave all ${leaving.length} open`}
          usual={[
            ...kindsOf(state.plan).flatMap(({ words }) => words.leaveReasons),
            'part on order',
            'no access today',
            'to be checked with a tool',
          ]}
          onClose={() => setLeaving([])}
          onDone={(why) => {
            for (const { position } of leaving) job.happen({ kind: 'left-open', body: { position, why } });
            setLeaving([]);
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
