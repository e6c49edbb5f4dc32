import { useState } from 'react';
import type { BackupLine, KeptBackup } from '#wire/api-keeping.ts';
import { ProblemNotice } from '../kit/ProblemNotice.tsx';
import { timeHere } from '../kit/time/here.ts';
import { ProgressBar } from '../shared/ProgressBar.tsx';
import { useLines } from '../shared/use-lines.ts';

const KILO = 1_000;
const size = (bytes: number): string =>
  bytes < KILO * KILO
    ? `${Math.max(1, Math.round(bytes / KILO))} kB`
    : `${(bytes / KILO / KILO).toFixed(1)} MB`;

/** Backups: make one while the site works, fetch those that were made. */
export const BackupPanel = ({
  first,
  isLead,
}: {
  readonly first: readonly KeptBackup[];
  readonly isLead: boolean;
}) => {
  const [backups, setBackups] = useState(first);
  const { progress, problem, start } = useLines<BackupLine>('/api/v1/backups', (line) => {
    if (line.kind === 'made') setBackups((before) => [line.backup, ...before].slice(0, 10));
  });
  return (
    <section className="panel grid gap-3 p-4">
      <h2 className="text-l font-bold">Backup</h2>
      <p>
        Everything the site keeps in one file, as it stands at one moment; work goes on meanwhile. It restores
        into an empty site with the same hashes. The private sealing key is not in it.
      </p>
      {isLead && backups.length > 0 && (
        <ul className="grid" data-testid="backups">
          {backups.map(({ name, madeAt, bytes }) => (
            <li key={name} className="flex flex-wrap justify-between gap-2 border-b border-rule py-2">
              <a href={`/api/v1/backups/${name}`} download={name}>
                {timeHere(madeAt)}
              </a>
              <span className="font-mono">{size(bytes)}</span>
            </li>
          ))}
        </ul>
      )}
      {isLead && backups.length === 0 && <p>None was made here yet.</p>}
      {progress && <ProgressBar progress={progress} what="Backing up, in rows" />}
      <ProblemNotice problem={problem} />
      {isLead ? (
        <>
          <button
            type="button"
            className="act justify-self-start"
            disabled={progress !== null}
            onClick={() => void start()}
          >
            Back up now
          </button>
          <p className="text-s text-faint">
            The newest ten stay on the machine of the site. Save one elsewhere too: a disk takes its backups
            with it. To restore: <code>npm run restore -- FILE</code>
          </p>
        </>
      ) : (
        <p className="text-faint">A lead makes and fetches backups.</p>
      )}
    </section>
  );
};
