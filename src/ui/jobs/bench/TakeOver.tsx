import { claimDevice } from '#client/device/claimed.ts';
import { deviceNow } from '#client/happen.ts';
import type { Person } from '#core/people/person.ts';
import { Dialog } from '../../kit/Dialog.tsx';
import type { Bench } from './use-bench.ts';

type Props = {
  readonly bench: Bench;
  readonly job: string;
  readonly person: Person;
  /** Everyone who works here, as this page was told. */
  readonly people: readonly Person[];
  readonly onClose: () => void;
};

/** Asks who takes over where the site can't be reached: it is kept as a claim, and their PIN confirms it at the next contact. */
export const TakeOver = ({ bench, job, person, people, onClose }: Props) => (
  <Dialog title="Who takes over?" onClose={onClose}>
    <div className="grid gap-3">
      <p>
        The site is out of reach, so nobody can sign in. Whoever you choose works on here as claimed: what
        they do is kept on this device under their name, and the record says so until their PIN confirms it.
      </p>
      {people
        .filter(({ id }) => id !== person.id)
        .map((each) => (
          <button
            key={each.id}
            type="button"
            className="act-quiet justify-start"
            onClick={() => {
              const since = deviceNow();
              const { id, name, role } = each;
              const claimed = { id, name, role };
              if (!bench.happen({ kind: 'bench-taken-over', body: { claimed, since } })) return;
              onClose();
              claimDevice({ claimed, by: person, since, job });
            }}
          >
            <strong>{each.name}</strong> {each.role}
          </button>
        ))}
    </div>
  </Dialog>
);
