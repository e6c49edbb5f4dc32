import { useState } from 'react';
import { readNumber } from '#core/quantity/read-number.ts';
import { loadAgainstRating } from '#core/spec/load/load-against-rating.ts';
import { loadWords } from '#wire/words/load.ts';
import { LoneField } from '../kit/form/LoneField.tsx';

const amperes = (text: string): number | null => {
  const read = readNumber(text);
  return read.ok && read.value.value > 0 ? read.value.value : null;
};

const AMPERES = { inputMode: 'decimal', maxLength: 10, className: 'font-mono text-l' } as const;

/** A load current against the continuous rating of a terminal or a bar. */
export const LoadSum = () => {
  const [load, setLoad] = useState('');
  const [rating, setRating] = useState('');
  const [of, to] = [amperes(load), amperes(rating)];
  const standing = of !== null && to !== null ? loadAgainstRating(of, to) : null;
  return (
    <section className="panel grid content-start gap-3 p-4">
      <h2 className="text-l font-bold">A load against a rating</h2>
      <div className="grid grid-cols-2 gap-3">
        <LoneField label="Load current, A" text={load} onText={setLoad} {...AMPERES} />
        <LoneField label="Continuous rating, A" text={rating} onText={setRating} {...AMPERES} />
      </div>
      {standing && (
        <p className={`font-bold ${standing.kind === 'within' ? 'text-in' : 'text-high'}`}>
          {loadWords(standing)}
        </p>
      )}
      <p className="text-s text-faint">
        The rating is the maker’s; local codes say what counts as continuous.
      </p>
    </section>
  );
};
