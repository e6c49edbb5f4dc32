import { useState } from 'react';
import type { Keeping } from '#wire/api-keeping.ts';
import type { LedgerCheck, LedgerCheckLine, LedgerFinding } from '#wire/ledger-check.ts';
import { checkedWords, ledgerFindingWords, unwitnessedWords } from '#wire/words/ledger.ts';
import { ProblemNotice } from '../kit/ProblemNotice.tsx';
import { timeHere } from '../kit/time/here.ts';
import { ProgressBar } from '../shared/ProgressBar.tsx';
import { useLines } from '../shared/use-lines.ts';

type Done = { readonly by: string; readonly check: LedgerCheck };

const Findings = ({
  findings,
  found,
}: {
  readonly findings: readonly LedgerFinding[];
  readonly found: number;
}) => (
  <>
    <p className="font-bold text-high">
      {found} {found === 1 ? 'place is' : 'places are'} not as witnessed or written down. Keep the data as it
      is, and find out who had access to the database.
    </p>
    <ol className="grid gap-1" data-testid="ledger-findings">
      {findings.map((finding) => (
        <li key={JSON.stringify(finding)} className="border-l-4 border-high pl-3">
          {ledgerFindingWords(finding)}
        </li>
      ))}
    </ol>
    {found > findings.length && <p>The first {findings.length} are listed.</p>}
  </>
);

const Result = ({ done: { by, check }, isLate }: { readonly done: Done; readonly isLate: boolean }) => (
  <div className="grid gap-2" data-testid="ledger-check">
    {check.found === 0 && isLate && <p className="font-bold">Everything held when it was checked last.</p>}
    {check.found === 0 && !isLate && <p className="text-l font-bold text-in">Everything holds.</p>}
    {check.found > 0 && <Findings findings={check.findings} found={check.found} />}
    <p>{checkedWords(check)}</p>
    <p>{unwitnessedWords(check)}</p>
    <p className="text-s text-faint">
      Checked {timeHere(check.at)} by {by === 'Jentik' ? 'the site itself, as every night' : by}.
    </p>
  </div>
);

/** What the witness says and what the last check found, with the button that checks everything now. */
export const LedgerPanel = ({ keeping, isLead }: { readonly keeping: Keeping; readonly isLead: boolean }) => {
  const [done, setDone] = useState<Done | null>(keeping.lastCheck);
  const [found, setFound] = useState<readonly LedgerFinding[]>([]);
  const { progress, problem, start } = useLines<LedgerCheckLine>('/api/v1/ledger/check', (line) => {
    if (line.kind === 'finding') setFound((before) => [...before, line.finding]);
    if (line.kind === 'checked') setDone({ by: 'you', check: line.check });
  });
  const { witness, unreadable } = keeping;
  return (
    <section className="panel grid gap-3 p-4">
      <h2 className="text-l font-bold">Ledger</h2>
      {witness?.at ? (
        <p>
          Witnessed {timeHere(witness.at)}: where {witness.jobs} {witness.jobs === 1 ? 'job' : 'jobs'} and the
          site’s log stood, signed and kept outside the database. Line {witness.lines} of its file.
        </p>
      ) : (
        !witness?.lateSince && <p>Nothing is witnessed yet; the first line is written within a minute.</p>
      )}
      {witness?.lateSince && (
        <p className="border-l-4 border-high pl-3" data-testid="witness-late">
          <strong>Not witnessed since {timeHere(witness.lateSince)}.</strong> Nothing could be added to the
          witness file, though there is something to add. Its disk may be full, or the file was changed: check
          everything now. The log of the application says why. Work goes on; what happened since can be
          changed by whoever has the database, and nobody would see it.
        </p>
      )}
      {unreadable.length > 0 && (
        <p className="border-l-4 border-high pl-3">
          <strong>Can’t be read, and left out of their lists:</strong>{' '}
          {unreadable.map(({ what, id }) => `${what} ${id}`).join(', ')}. The log of the application says why.
        </p>
      )}
      {progress && <ProgressBar progress={progress} what="Checking everything" />}
      {progress && found.length > 0 && <Findings findings={found} found={found.length} />}
      {!progress && done && <Result done={done} isLate={!!witness?.lateSince} />}
      {!progress && !done && <p>Not checked yet. The site checks itself every night.</p>}
      <ProblemNotice problem={problem} />
      {isLead ? (
        <button
          type="button"
          className="act justify-self-start"
          disabled={progress !== null}
          onClick={() => {
            setFound([]);
            void start();
          }}
        >
          Check everything now
        </button>
      ) : (
        <p className="text-faint">A lead can check it at any time.</p>
      )}
    </section>
  );
};
