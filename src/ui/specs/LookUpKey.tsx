import type { LookupTable } from '#core/spec/lookup/lookup-table.ts';
import { LoneField } from '../kit/form/LoneField.tsx';

const CHIPS_MOST = 18;

type Props = {
  readonly of: LookupTable['keys'][number];
  readonly text: string;
  /** What could still be answered here; few enough are offered to be tapped. */
  readonly choices: readonly string[];
  readonly onAnswer: (text: string) => void;
};

/** One question of a table: typed, or chosen from what its rows still hold. */
export const LookUpKey = ({ of: { name, unit }, text, choices, onAnswer }: Props) => (
  <div>
    <LoneField label={unit ? `${name}, ${unit}` : name} text={text} onText={onAnswer} maxLength={60} />
    {choices.length > 0 && choices.length <= CHIPS_MOST && (
      <div className="mt-2 flex flex-wrap gap-2">
        {choices.map((choice) => (
          <button key={choice} type="button" className="act-quiet" onClick={() => onAnswer(choice)}>
            {choice}
          </button>
        ))}
      </div>
    )}
  </div>
);
