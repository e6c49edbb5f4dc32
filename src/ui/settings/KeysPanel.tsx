import { keyFingerprint } from '#core/ledger/seal.ts';
import type { Keeping } from '#wire/api-keeping.ts';
import { timeHere } from '../kit/time/here.ts';

const EVER = '1970-01-01T00:00:00.000Z';

/** The keys that the site has sealed records with, each with its time. */
export const KeysPanel = ({ keeping: { keys } }: { readonly keeping: Keeping }) => (
  <section className="panel grid gap-3 p-4">
    <h2 className="text-l font-bold">Sealing keys</h2>
    <ul className="grid gap-2">
      {[...keys].reverse().map(({ publicKey, from, until }) => (
        <li key={publicKey}>
          <span className="font-mono">{keyFingerprint(publicKey)}</span>
          {until === null && <strong> in use</strong>}
          <div className="text-s text-faint">
            {from === EVER ? 'since the site began' : `from ${timeHere(from)}`}
            {until !== null && ` until ${timeHere(until)}`}
          </div>
        </li>
      ))}
    </ul>
    <p className="text-s">
      Who checks a record compares the key with the one you told them by another way, or with{' '}
      <a href="/api/v1/ledger/keys">the list of all keys</a>.
    </p>
  </section>
);
