import type { ImportDraft } from './import-draft.ts';

const FIELDS = [
  { id: 'title', name: 'What is it', hint: 'Dome drive cabinet, strip X3', isNeeded: true, longest: 120 },
  {
    id: 'sourceTitle',
    name: 'Where the values are printed',
    hint: 'Terminal schedule, or the label’s place',
    isNeeded: true,
    longest: 120,
  },
  { id: 'revision', name: 'Revision', hint: 'B', isNeeded: false, longest: 40 },
  { id: 'place', name: 'Page or place', hint: 'sheet 2, inside the door', isNeeded: false, longest: 120 },
  { id: 'assetCode', name: 'Code of the machine', hint: 'M-02', isNeeded: false, longest: 40 },
  { id: 'assetName', name: 'What machine it is', hint: 'mill in the shop', isNeeded: false, longest: 80 },
] as const;

type Props = { readonly draft: ImportDraft; readonly onChange: (part: Partial<ImportDraft>) => void };

/** What the job is, where its values are printed, and the machine it is done on. */
export const ImportFacts = ({ draft, onChange }: Props) => (
  <section className="panel grid gap-3 p-4 sm:grid-cols-2">
    {FIELDS.map(({ id, name, hint, isNeeded, longest }) => (
      <label key={id} className={id === 'title' ? 'sm:col-span-2' : ''}>
        {name}
        {!isNeeded && <span className="text-faint"> (if it has one)</span>}
        <input
          className="field mt-1"
          name={id}
          value={draft[id]}
          placeholder={hint}
          required={isNeeded}
          maxLength={longest}
          onChange={(event) => onChange({ [id]: event.target.value })}
        />
      </label>
    ))}
  </section>
);
