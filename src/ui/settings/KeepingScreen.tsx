import { may } from '#core/people/may.ts';
import type { Person } from '#core/people/person.ts';
import type { Keeping, KeptBackup } from '#wire/api-keeping.ts';
import { BackupPanel } from './BackupPanel.tsx';
import { DevicePanel } from './DevicePanel.tsx';
import { KeysPanel } from './KeysPanel.tsx';
import { LedgerPanel } from './LedgerPanel.tsx';

type Props = {
  readonly person: Person;
  readonly keeping: Keeping;
  readonly backups: readonly KeptBackup[];
};

/** How records are kept: the ledger and its check, the keys it is sealed with, and backups. */
export const KeepingScreen = ({ person, keeping, backups }: Props) => {
  const isLead = may(person, 'check-ledger');
  return (
    <div className="mx-auto grid max-w-6xl grid-cols-[minmax(0,1fr)] gap-4">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h1 className="text-xl font-bold">Records</h1>
        <a href="/settings" className="act-quiet">
          Settings
        </a>
      </div>
      <div className="grid items-start gap-4 lg:grid-cols-[minmax(0,7fr)_minmax(0,5fr)]">
        <div className="grid content-start gap-4">
          <LedgerPanel keeping={keeping} isLead={isLead} />
          <DevicePanel />
        </div>
        <div className="grid content-start gap-4">
          <BackupPanel first={backups} isLead={isLead} />
          <KeysPanel keeping={keeping} />
        </div>
      </div>
    </div>
  );
};
