import { useState } from 'react';
import { readNumber } from '#core/quantity/read-number.ts';
import { loadAgainstRating } from '#core/spec/load/load-against-rating.ts';
import { loadWords } from '#wire/words/load.ts';

const amperes = (text: string): number | null => {
  const read = readNumber(text);
  return read.ok && read.value.value > 0 ? read.value.value : null;
};

/** A load current against the continuous rating of a terminal or a bar. */
export const LoadSum = () => {
  const [load, setLoad] = useState('');
  const [rating, setRating] = useState('');
  const [of, to] = [amperes(load), amperes(rating)];
  const standing = of !== null && to !== null ? loadAgainstRating(of, to) : null;
  const field = (name: string, value: string, change: (text: string) => void) => (
    <label>
      {name}
      <input
        className="field mt-1 font-mono text-l"
        inputMode="decimal"
        maxLength={10}
        value={value}
        onChange={(event) => change(event.target.value)}
      />
    </label>
  );
  return (
    <section className="panel grid content-start gap-3 p-4">
      <h2 className="text-l font-bold">A load against a rating</h2>
      <div className="grid grid-cols-2 gap-3">
        {field('Load current, A', load, setLoad)}
        {field('Continuous rating, A', rating, setRating)}
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
