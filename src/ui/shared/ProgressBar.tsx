import type { Progress } from './use-lines.ts';

type Props = { readonly progress: Progress; readonly what: string };

/** How far long work is, in a bar and in numbers. */
export const ProgressBar = ({ progress: { done, total }, what }: Props) => (
  <div className="grid gap-1" role="status">
    <progress className="h-3 w-full accent-layout" max={Math.max(total, 1)} value={done} aria-label={what} />
    <span className="text-s">
      {what}: {done} of {total}
    </span>
  </div>
);
