type Props = {
  readonly job: { readonly jobId: string; readonly number: string; readonly title: string };
  /** How far its worst fastener is outside; null where nothing can be said. */
  readonly farthestPercent: number | null;
};

/** Which job a recall found, and how far outside its worst fastener is. */
export const RecalledHead = ({ job, farthestPercent }: Props) => (
  <div className="flex flex-wrap items-baseline justify-between gap-2">
    <h2 className="text-l font-bold">
      <a href={`/jobs/${job.jobId}/plan`}>
        {job.number} {job.title}
      </a>
    </h2>
    {farthestPercent !== null && farthestPercent > 0 && (
      <strong className="text-high">up to {farthestPercent.toFixed(1)} % outside</strong>
    )}
  </div>
);
