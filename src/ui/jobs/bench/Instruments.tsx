import type { JobView } from '#core/view/job-view.ts';
import type { Bench } from './use-bench.ts';

/** The instruments that steps of this job were measured with, the last one first. */
const usedOn = ({ steps }: JobView): readonly string[] => [
  ...new Set(
    steps.flatMap(({ result }) => (result.kind === 'measured' ? [result.instrument] : [])).reverse(),
  ),
];

/** What a step is measured with: typed once, then a tap. */
export const Instruments = ({ bench, view }: { readonly bench: Bench; readonly view: JobView }) => (
  <div className="grid gap-2">
    <label>
      Measured with
      <input
        className="field mt-1"
        value={bench.instrument}
        maxLength={60}
        placeholder="what is marked on it"
        data-testid="instrument"
        // Then the digits are the bench's again.
        onKeyDown={({ key, currentTarget }) => key === 'Enter' && currentTarget.blur()}
        onChange={(event) => bench.holdInstrument(event.target.value)}
      />
    </label>
    <div className="flex flex-wrap gap-2">
      {usedOn(view)
        .filter((each) => each !== bench.instrument)
        .slice(0, 4)
        .map((instrument) => (
          <button
            key={instrument}
            type="button"
            className="act-quiet min-h-14"
            onClick={() => bench.holdInstrument(instrument)}
          >
            {instrument}
          </button>
        ))}
    </div>
  </div>
);
