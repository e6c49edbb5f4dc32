type Props = {
  readonly done: number;
  readonly total: number;
  /** What is counted: pulls, jobs. */
  readonly of: string;
  readonly outside: string;
};

/** How far a recall has come, while it judges again. */
export const JudgingAgain = ({ done, total, of, outside }: Props) => (
  <div className="panel grid gap-2 p-4">
    <p>
      Judging again: {done} of {total} {of}, {outside} outside so far.
    </p>
    <progress className="h-3 w-full" max={Math.max(1, total)} value={done} />
  </div>
);
