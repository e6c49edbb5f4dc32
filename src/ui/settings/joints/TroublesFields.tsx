import Plus from 'lucide-react/icons/plus';
import X from 'lucide-react/icons/x';
import { LoneField } from '../../kit/form/LoneField.tsx';
import type { KindDraft } from './kind-draft.ts';

type Troubles = KindDraft['troubles'];
type Props = { readonly troubles: Troubles; readonly onChange: (troubles: Troubles) => void };

const TROUBLES_MOST = 16;

/** What goes wrong with a kind of joint, and what to do then, as it is written. */
export const TroublesFields = ({ troubles, onChange }: Props) => {
  const change = (place: number, part: Partial<Troubles[number]>): void =>
    onChange(troubles.map((trouble, index) => (index === place ? { ...trouble, ...part } : trouble)));
  const listed = troubles.map((trouble, place) => ({ ...trouble, place }));
  return (
    <>
      <h3 className="font-bold">When it goes wrong</h3>
      <ul className="grid gap-3">
        {listed.map(({ sign, remedy, place }) => (
          <li
            key={`trouble ${place}`}
            className="grid items-end gap-2 sm:grid-cols-[minmax(0,1fr)_minmax(0,2fr)_auto]"
          >
            <LoneField
              label="What is seen"
              text={sign}
              onText={(text) => change(place, { sign: text })}
              maxLength={100}
            />
            <LoneField
              label="What to do"
              text={remedy}
              onText={(text) => change(place, { remedy: text })}
              maxLength={300}
            />
            <button
              type="button"
              className="act-quiet"
              onClick={() => onChange(troubles.toSpliced(place, 1))}
            >
              <X size={18} aria-hidden="true" /> Leave out
            </button>
          </li>
        ))}
      </ul>
      {troubles.length < TROUBLES_MOST && (
        <button
          type="button"
          className="act-quiet justify-self-start"
          onClick={() => onChange([...troubles, { sign: '', remedy: '', source: '' }])}
        >
          <Plus size={18} aria-hidden="true" /> One more
        </button>
      )}
    </>
  );
};
