import { Tick } from '../kit/Tick.tsx';

type Props = {
  readonly total: number;
  readonly doubts: number;
  readonly isDoubtsOnly: boolean;
  readonly onDoubtsOnly: (isDoubtsOnly: boolean) => void;
};

/** How many lines of a list are still to settle, and a way to see only those. */
export const DoubtsBar = ({ total, doubts, isDoubtsOnly, onDoubtsOnly }: Props) => (
  <div className="flex flex-wrap items-center gap-4" data-testid="doubts">
    <p className="text-l">
      {doubts === 0 ? (
        <strong className="text-in">
          {total === 1 ? 'The one line is settled.' : `All ${total} lines are settled.`}
        </strong>
      ) : (
        <strong className="text-unsure">
          {doubts} of {total} {total === 1 ? 'line' : 'lines'} to settle.
        </strong>
      )}
    </p>
    <Tick isOn={isDoubtsOnly} onChange={onDoubtsOnly}>
      only these
    </Tick>
  </div>
);
