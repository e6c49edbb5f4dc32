import type { Person } from '#core/people/person.ts';
import { Dialog } from '../kit/Dialog.tsx';

type Props = {
  readonly person: Person;
  readonly onYes: () => void;
  readonly onClose: () => void;
};

/** Asks before a PIN that works is taken away. */
export const NewPinDialog = ({ person: { name }, onYes, onClose }: Props) => (
  <Dialog title={`A new PIN for ${name}`} onClose={onClose}>
    <p className="mb-4">
      The PIN that {name} has works no more from now on, and {name} is signed out everywhere. With the
      invitation that comes next {name} chooses another; what waits on their devices stays there until then.
    </p>
    <button type="button" className="act w-full" onClick={onYes}>
      Take it away and invite
    </button>
  </Dialog>
);
